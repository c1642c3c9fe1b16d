import { reversedPair } from '../solvers/checks';
import type { Solver } from '../solvers/contract';
import { hingeInput, hingeOutput, type HingeInput, type HingeOutput } from './hinge.schema';
import { solveHinge } from './solveHinge';

export const hingeSolver: Solver<HingeInput, HingeOutput> = {
  name: 'hinge',
  title: 'A key on its rod, between its posts',
  input: hingeInput,
  output: hingeOutput,
  check: ({ tube, limits }) => [
    ...(tube.inner < tube.outer ? [] : [{ path: '/tube/inner', message: `must be < outer (${tube.outer})` }]),
    ...reversedPair(limits.clearance, '/limits/clearance'),
    ...reversedPair(limits.endPlay, '/limits/endPlay'),
  ],
  solve: solveHinge,
};
