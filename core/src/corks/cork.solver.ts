import type { Solver } from '../solvers/contract';
import { corkInput, corkOutput, type CorkInput, type CorkOutput } from './cork.schema';
import { solveCork } from './solveCork';

export const corkSolver: Solver<CorkInput, CorkOutput> = {
  name: 'cork',
  title: 'How thick a cork, and what it is cut from',
  input: corkInput,
  output: corkOutput,
  solve: solveCork,
};
