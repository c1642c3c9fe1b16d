import type { Solver } from '../solvers/contract';
import { rimInput, rimOutput, type RimInput, type RimOutput } from './rim.schema';
import { solveRim } from './solveRim';

export const rimSolver: Solver<RimInput, RimOutput> = {
  name: 'rim',
  title: 'Is the tone-hole rim flat, level and round?',
  input: rimInput,
  output: rimOutput,
  solve: solveRim,
};
