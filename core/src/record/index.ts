export * from './jobDocument.schema';
export * from './jobDocument';
export * from './measureHistory';
export * from './jobRecord';
export * from './publishedSchemas';
