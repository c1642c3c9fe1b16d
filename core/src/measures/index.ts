export type { GroupDefinition, MeasurePlace, PartKind } from './definition';
export * from './registry';
export * from './measureTable';
export { isFurtherStation, referenceKey, referenceKeys, usualStations, witnessMarks } from './line/definition';
export * from './base/measureState';
export * from './base/pointReading';
export * from './base/partReport';
export * from './base/groupAnswers';
export * from './base/limitsOf';
export type { MeasuredJob } from './base/measuredJob';
export * from './base/airWarnings';
export * from './base/passHistory';
export * from './base/whatDecides';
export * from './pad/report';
export { padStandFacts, suggestFromStands } from './pad/stand';
export * from './rim/report';
export * from './hinge/rodStack';
export {
  leanOf,
  noteAnchor,
  notePitch,
  notesBeside,
  sharedHoles,
  suggestFromPitch,
  type Lean,
  type SharedHole,
} from './pitch/report';
export * from './reports';
export { suggestFromPart, type Suggestion } from './base/suggestion';
export { suggestFromRim } from './rim/suggest';
export { suggestFromSeat } from './pad/suggest';
