export * from './shopEntry';
export * from './shopEntry.schema';
export * from './shopState';
export * from './shopLogbook';
export type { GaugeCheck } from './gaugeCheck.kind';
export type { ShopHours } from './hours.kind';
export * from './gaugeTrust';
export * from './planBasis';
export { nextGrade, type PieceProgress } from './practicePiece.kind';
