export * from './jobDocument.schema';
export * from './jobDocument';
export { measureHistory, type BeforeAfter, type RecordFigure } from './measureHistory';
export * from './stepReadings';
export * from './jobRecord';
export * from './publishedSchemas';
