export { airViscosity } from './air';
export {
  atMost,
  clockDistance,
  clockOf,
  exceeds,
  inClockOrder,
  normalClock,
  sameWithin,
  toDegrees,
  toRadians,
} from './clock';
export { circularRuns } from './circularRuns';
export { leastSquares } from './leastSquares';
export { solveSpd } from './solveSpd';
export { Unsolvable } from './unsolvable';
export {
  gaugeOfReading,
  gaugeStandardUncertainty,
  gaugeTakes,
  shareOfScale,
  shelfGauges,
  usualGauge,
  type Gauge,
  type OwnScale,
  type ShelfGauge,
} from './gauge';
export type { ConformityOutput } from './conformity.schema';
export { solveConformity } from './conformity';
export { conformitySolver } from './conformity.solver';
export { interpolate, type Sample } from './interpolate';
export { learn, meanOf, medianOf, type Learned } from './learn';
export { normalBelow } from './studentT';
