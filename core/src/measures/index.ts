export type { GroupDefinition, MeasurePlace, PartKind } from './definition';
export {
  allGroups,
  askWords,
  choiceOf,
  choicesOf,
  groupNamed,
  groupTable,
  isTickGroup,
  isWanted,
  measuringPoints,
  tickGroups,
  type TickChoice,
  type TickGroup,
  type TickVerdict,
} from './registry';
export { isFromZero, isSigned, measureTable, unitOfMeasure, type MeasureUnit } from './measureTable';
export { isFurtherStation, referenceKey, referenceKeys, usualStations, witnessMarks } from './line/definition';
export { measureStates, measureStateWords, wholeState, type MeasureState } from './base/measureState';
export { coarsestGauge, readPoint, type PointReading } from './base/pointReading';
export { factOf, judgeFigure, pointOf, withFacts, type PartReport, type ReportFact } from './base/partReport';
export { groupsAnsweredHere, type GroupAnswers } from './base/groupAnswers';
export { limitsOf } from './base/limitsOf';
export type { MeasuredJob } from './base/measuredJob';
export { learnedReturn, learnedSteps, straightenPasses, tenonZones, turnPasses } from './base/passHistory';
export { deciderWords, whatDecides, whatDecidesPoint } from './base/whatDecides';
export { gapsRead, padClocks, padPoint, padReport, type PadReport } from './pad/report';
export { padStandFacts, suggestFromStands } from './pad/stand';
export {
  diameterClocks,
  diameterPoint,
  heightPoint,
  rimClocks,
  rimReport,
  type RimAnswers,
  type RimReport,
} from './rim/report';
export { rodStack, type RodKey, type RodSpan } from './hinge/rodStack';
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
export {
  isJudged,
  partFigures,
  partReport,
  partsOfGroup,
  placesOfType,
  pointsOfPart,
  reportedGroups,
  reportTable,
  roundGroups,
} from './reports';
export { suggestFromPart, type Suggestion } from './base/suggestion';
export { suggestFromRim } from './rim/suggest';
export { suggestFromSeat } from './pad/suggest';
