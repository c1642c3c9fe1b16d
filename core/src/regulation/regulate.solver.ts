import { reversedPair } from '../solvers/checks';
import type { Solver } from '../solvers/contract';
import { regulateInput, regulateOutput, type RegulateInput, type RegulateOutput } from './regulate.schema';
import { solveRegulate } from './solveRegulate';

export const regulateSolver: Solver<RegulateInput, RegulateOutput> = {
  name: 'regulate',
  title: 'What to turn, and how far',
  input: regulateInput,
  output: regulateOutput,
  check: ({ rules }) =>
    rules.flatMap((rule, i) => (rule.kind === 'seal' ? [] : reversedPair(rule.range, `/rules/${i}/range`))),
  solve: solveRegulate,
};
