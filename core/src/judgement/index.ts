export {
  figuresDecide,
  judgeJob,
  seenParts,
  stateOf,
  statesOf,
  type Answers,
  type JobJudgement,
  type JudgedPad,
} from './judgeJob';
export { groupOfFinding, isUnchecked, lookAgain, standingWords, type AgainWhy, type LookAgain } from './lookAgain';
