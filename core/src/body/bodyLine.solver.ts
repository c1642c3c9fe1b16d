import { repeatedAt } from '../solvers/checks';
import type { Solver } from '../solvers/contract';
import { bodyLineInput, bodyLineOutput, type BodyLineInput, type BodyLineOutput } from './bodyLine.schema';
import { solveBodyLine } from './solveBodyLine';

export const bodyLineSolver: Solver<BodyLineInput, BodyLineOutput> = {
  name: 'body-line',
  title: 'Is the tube straight, and how is it straightened?',
  input: bodyLineInput,
  output: bodyLineOutput,
  check: ({ stations }) => repeatedAt(stations, '/stations'),
  solve: solveBodyLine,
};
