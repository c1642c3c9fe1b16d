export { checkUpStanding, type CheckUpStanding } from './checkUp';
export { bareName, earlierVisit, sameInstrument, sinceThen, type EarlierVisit, type SinceThen } from './earlierVisit';
export { jobLessons, type JobLesson } from './jobLessons';
export { outcomesOf, type KnownOutcome, type Outcome } from './outcomes';
export { searchGroupOf, searchGroups, searchTerms, wordsIn, type SearchGroup, type SearchTerms } from './searchTerms';
export { faultLesson, faultsAside, seenByPart, seenWords, whatWorked, type Seen } from './whatWorked';
export { reminderWords } from './reminder.kind';
