export * from './entry.schema';
export * from './entry';
export * from './jobState';
export * from './board';
export * from './foldEntries';
export * from './checkEntry';
export * from './readEntry';
