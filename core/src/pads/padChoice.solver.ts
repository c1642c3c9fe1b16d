import { reversedPair } from '../solvers/checks';
import type { Solver } from '../solvers/contract';
import { padChoiceInput, padChoiceOutput, type PadChoiceInput, type PadChoiceOutput } from './padChoice.schema';
import { solvePadChoice } from './solvePadChoice';

export const padChoiceSolver: Solver<PadChoiceInput, PadChoiceOutput> = {
  name: 'pad-choice',
  title: 'Which pad for this cup',
  input: padChoiceInput,
  output: padChoiceOutput,
  check: ({ clearance = [0, 0.3] }) => reversedPair(clearance, '/clearance'),
  solve: solvePadChoice,
};
