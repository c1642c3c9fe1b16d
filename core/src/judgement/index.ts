export * from './measureState';
export * from './pointReading';
export * from './padReport';
export * from './rimReport';
export * from './suggestFindings';
export * from './judgeJob';
export * from './partReport';
export * from './groupReports';
