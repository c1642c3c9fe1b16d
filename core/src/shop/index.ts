export type { NewShopEntry, ShopEntry, ShopEntryBody, ShopEntryKind } from './shopEntry';
export { shopEntryBodies, shopEntryKinds } from './shopEntry.schema';
export {
  currencyOf,
  freshBook,
  freshShop,
  gaugesFor,
  gaugesInUse,
  inUse,
  shopOf,
  shopRules,
  usualHours,
  usualOf,
  type BenchOrder,
  type KeptGauge,
  type LimitProfile,
  type OwnOperation,
  type Person,
  type Price,
  type Rates,
  type ShopBook,
  type ShopState,
} from './shopState';
export { shopKinds } from './kinds';
export { foldShop, foldShopBook, shopEntryWords, shopMisfits, shopWith } from './shopLogbook';
export type { GaugeCheck } from './gaugeCheck.kind';
export type { ShopHours } from './hours.kind';
export {
  asShown,
  calibrationDue,
  daysToCalibration,
  drifts,
  gaugeWarnings,
  isOverdue,
  readingDoubts,
  unitOfGauge,
} from './gaugeTrust';
export { cautionWords, customWork, planBasis } from './planBasis';
export { nextGrade, type PieceProgress } from './practicePiece.kind';
