export {
  changeableLists,
  holeUses,
  instrumentTypeSchema,
  rimKinds,
  usualStandard,
  type ChangeableList,
  type InstrumentType,
} from './instrumentType.schema';
export type { Dent } from './dent.schema';
export { shippedTypes } from './instrumentTypes';
export { instrumentType, knowTypes } from './knownTypes';
export { instrumentTypeProblems } from './checkInstrumentType';
export { applyOptions, optionChoices } from './applyOptions';
export { changeType, rowId, type TypeChange } from './changeType';
export { blankType, homeMadeId } from './blankType';
export {
  closedHoles,
  fingeringId,
  fingeringNames,
  fingeringWords,
  firstOpenHole,
  firstOpenOf,
  holeOfNote,
  isPair,
  linksOfKeys,
  movedKeys,
  toneHolesDown,
} from './mechanism';
export { postsOf, reachOf, rodsOf, sharesSpan, spanOf, spansOf, tubesOf, type PostSpan } from './spans';
export {
  apart,
  bellSection,
  fittingsOver,
  isNearSeal,
  keysInTheWay,
  keysOfPart,
  partsNear,
  reachedBy,
  usualDentWidth,
  type WorkSpot,
} from './reach';
export { oncePerType } from './oncePerType';
export {
  boreAt,
  downTheTube,
  padsDownTheTube,
  partNames,
  placeOfPart,
  sectionStarts,
  type PartPlace,
} from './partNames';
export { silhouetteOf, type Outline, type PicturePoint } from './silhouette';
export {
  namesToRead,
  overRelations,
  pivotId,
  removableNames,
  removableParts,
  type OverRelation,
  type RemovablePart,
} from './removableParts';
export { strangePart, strangePlace } from './strangePart';
