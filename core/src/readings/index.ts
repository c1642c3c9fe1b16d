export { matchesMeasure, pointKey, pointsOf, type MeasuringPoint, type PointsAsked } from './point';
export { pointWords } from './pointWords';
export { disturb } from './ledger';
export type { PointState, ReadingState, Staleness } from './readingState';
