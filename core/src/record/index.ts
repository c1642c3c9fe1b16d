export { readJobDocument, toJobDocument } from './jobDocument';
export type { LightPair } from './lightHistory';
export { measureHistory, type BeforeAfter, type ReadOnly, type RecordFigure } from './measureHistory';
export { mostPhotoPairs, photoPairs, type PhotoPair } from './photoHistory';
export { stepReadings } from './stepReadings';
export { jobRecord, jobStanding, type JobRecord } from './jobRecord';
export { publishedSchemas } from './publishedSchemas';
