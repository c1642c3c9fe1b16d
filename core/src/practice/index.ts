export { practices, settingsOf, type OwnSettings, type Practice } from './practices';
export { practiceWords, sideWords } from './practiceWords';
export {
  bandOf,
  columnOf,
  isLargeHole,
  isLeast,
  limitShape,
  padGapLimit,
  rimLimits,
  tolerance,
  toleranceWords,
  upperLimit,
  workLimit,
  workShare,
  type Column,
  type LimitSource,
  type OwnLimits,
  type Tolerance,
} from './tolerances';
export { changesProblems } from './limitProblems';
