import { reversedPair } from '../solvers/checks';
import type { Problem, Solver } from '../solvers/contract';
import { solveSpring } from './solveSpring';
import { springInput, springOutput, type SpringInput, type SpringOutput } from './spring.schema';

/** What a section of this kind is measured by. */
const measuredBy = { needle: ['diameter'], flat: ['width', 'thickness'] } as const;

export const springSolver: Solver<SpringInput, SpringOutput> = {
  name: 'spring',
  title: 'The force of a key’s spring, and which to fit',
  input: springInput,
  output: springOutput,
  check: (input) => [
    ...measuredBy[input.kind].flatMap((size): Problem[] =>
      input[size] === undefined ? [{ path: `/${size}`, message: `is required of a ${input.kind} spring` }] : [],
    ),
    ...reversedPair(input.limits.touch, '/limits/touch'),
  ],
  solve: solveSpring,
};
