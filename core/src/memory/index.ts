export * from './earlierVisit';
