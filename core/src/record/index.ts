export * from './jobDocument.schema';
export * from './jobDocument';
export type { LightPair } from './lightHistory';
export { measureHistory, type BeforeAfter, type ReadOnly, type RecordFigure } from './measureHistory';
export { mostPhotoPairs, photoPairs, type PhotoPair } from './photoHistory';
export * from './stepReadings';
export * from './jobRecord';
export * from './publishedSchemas';
