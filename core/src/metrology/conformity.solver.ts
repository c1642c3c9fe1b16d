import type { Solver } from '../solvers/contract';
import { solveConformity } from './conformity';
import { conformityInput, conformityOutput, type ConformityInput, type ConformityOutput } from './conformity.schema';

export const conformitySolver: Solver<ConformityInput, ConformityOutput> = {
  name: 'conformity',
  title: 'Does this measure pass, given the gauge?',
  input: conformityInput,
  output: conformityOutput,
  check: ({ limits: { lower, upper } }) =>
    lower !== undefined && upper !== undefined && lower > upper
      ? [{ path: '/limits/upper', message: `must be >= lower (${lower})` }]
      : [],
  solve: solveConformity,
};
