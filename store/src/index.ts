export * from './database';
export * from './migrate';
export * from './logbook';
export * from './photos';
export * from './instrumentTypes';
export * from './announcements';
export * from './readingsCsv';
export * from './demo/loadDemo';
