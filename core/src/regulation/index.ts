export { adjustedWords, adjusterWords, driftWords } from './adjusterWords';
export type { AdjustmentState } from './adjustment.kind';
export { ruleChangeProblems, type OwnRule } from './rule.kind';
export type { RuleChange } from './ruleChange.schema';
export type { WorkedRule } from './workedRules';
export type { Assumed, JobMechanism } from './jobMechanism';
export { landingSolver } from './landing.solver';
export { intervalOf, type LinkLook } from './linkLooks';
export { latenessNow } from './latenessNow';
export type { LinkageOutput } from './linkage.schema';
export { linkageSolver } from './linkage.solver';
export { regulateSolver } from './regulate.solver';
export type { RegulateInput, RegulateOutput } from './regulate.schema';
export {
  pressedUnder,
  regulationOf,
  regulationQuestions,
  rulesAt,
  rulesSeen,
  type LinkContradiction,
  type Regulation,
  type RuleNow,
} from './regulationOf';
export { solveLinkage } from './solveLinkage';
export { regulateSteps, solveRegulate, type RegulateProgress } from './solveRegulate';
export { linkWalk, type LinkStop } from './walk';
