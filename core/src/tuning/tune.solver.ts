import type { Solver } from '../solvers/contract';
import { edgeProblems } from './pitch.solver';
import { solveTune } from './solveTune';
import { tuneInput, tuneOutput, type TuneInput, type TuneOutput } from './tune.schema';

export const tuneSolver: Solver<TuneInput, TuneOutput> = {
  name: 'tune',
  title: 'Which tone holes to change',
  input: tuneInput,
  output: tuneOutput,
  check: edgeProblems,
  solve: solveTune,
};
