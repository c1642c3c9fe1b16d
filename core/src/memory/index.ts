export * from './earlierVisit';
export * from './jobLessons';
export * from './outcomes';
export * from './searchTerms';
export * from './whatWorked';
