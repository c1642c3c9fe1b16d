import { reversedPair } from '../solvers/checks';
import type { Solver } from '../solvers/contract';
import { bushingInput, bushingOutput, type BushingInput, type BushingOutput } from './bushing.schema';
import { solveBushing } from './solveBushing';

export const bushingSolver: Solver<BushingInput, BushingOutput> = {
  name: 'bushing',
  title: 'A metal bush for a stripped post hole in wood',
  input: bushingInput,
  output: bushingOutput,
  check: ({ gap, wall, leave }) => [
    ...reversedPair(gap, '/gap'),
    ...(leave < wall ? [] : [{ path: '/leave', message: `must be < wall (${wall})` }]),
  ],
  solve: solveBushing,
};
