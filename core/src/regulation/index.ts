export { adjustedWords, adjusterWords, driftWords } from './adjusterWords';
export type { AdjustmentState } from './adjustment.kind';
export type { WorkedRule } from './workedRules';
export type { Assumed, JobMechanism } from './jobMechanism';
export { landingSolver } from './landing.solver';
export type { LinkLook } from './linkLooks';
export type { LinkageOutput } from './linkage.schema';
export { linkageSolver } from './linkage.solver';
export { regulateSolver } from './regulate.solver';
export type { RegulateInput, RegulateOutput } from './regulate.schema';
export {
  pressedUnder,
  regulationOf,
  regulationQuestions,
  type LinkContradiction,
  type Regulation,
  type RuleNow,
} from './regulationOf';
export { solveLinkage } from './solveLinkage';
export { linkWalk, type LinkStop } from './walk';
