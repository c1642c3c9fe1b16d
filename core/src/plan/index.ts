export { operationKinds, shippedOperations, tableWith, type OperationKind, type OperationTable } from './operations';
export { stageRules } from './orderRules';
export { cureRules, standingRules, type CureRule, type RuleCondition } from './cureRules';
export { tableProblems } from './tableProblems';
export type { CustomWork, PlanInput, PlannedOperation, PlanOutput } from './plan.schema';
export { chainBetween, chainWords, overlaps, type Edge } from './orderOperations';
export { asDone, howLines, operationTitle, planOverhaul, spoiltBy, turnsOf, wholeInstrument } from './planOverhaul';
export { planSolver } from './plan.solver';
export { firstWords, nextTitle } from './firstOf';
export { jobPlan, jobSettings, type JobPlan } from './jobPlan';
export type { PlanBasis } from './planBasis';
export { planInputOf } from './planInput';
export { isOpenStep, type GateCheck, type ReachedAt, type Step } from './step';
export { stepMinutes } from './stepMinutes';
export { doSteps, heldUp, type HeldUp } from './doSteps';
export { beyondWords, fitPromise, notesSpoilt, notesWords, weightOf, type PromiseFit } from './promise';
export { establishes } from './spoilt';
export {
  learnedFor,
  learnTimes,
  timeLesson,
  timesOf,
  timesTold,
  type ActualTime,
  type LearnedTimes,
  type TimesSeen,
} from './learnTimes';
export { planDiff, planTurns, type PlanTurn } from './planDiff';
export { whyStep, type FreshReadings } from './whyStep';
export { actualTimes } from './actualTimes';
export { workedAt, type OperationState } from './operationState';
