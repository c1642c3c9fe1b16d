export * from './checkUp';
export * from './earlierVisit';
export * from './jobLessons';
export * from './outcomes';
export * from './searchTerms';
export * from './whatWorked';
export { reminderWords } from './reminder.kind';
