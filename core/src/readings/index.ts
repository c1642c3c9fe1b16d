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
export { tickWords, type TickState } from './tick.kind';
export type { PointState, ReadingState, Staleness } from './readingState';
