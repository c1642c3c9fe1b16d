export {
  heldKey,
  heldWords,
  matchesMeasure,
  pointKey,
  pointProblems,
  pointsOf,
  type MeasuringPoint,
  type PointsAsked,
} from './point';
export { pointWords } from './pointWords';
export { disturb } from './ledger';
export {
  choiceOf,
  choicesOf,
  isTickGroup,
  meansWords,
  tickChoices,
  tickGroups,
  type TickChoice,
  type TickGroup,
  type TickVerdict,
} from './tickChoices';
export { tickWords, type TickState } from './tick.kind';
export type { PointState, ReadingState, Staleness } from './readingState';
