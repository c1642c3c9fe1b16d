export type { Entry, EntryBody, EntryKind, EntryOf, NewEntry, NewEntryOf } from './entry';
export { entryBodies, entryKinds, storedEntrySchema } from './entry.schema';
export { entryWords, foldEntries, foldJob, logbookReader, misfits, turnsPlan } from './jobLogbook';
export { namedTypes } from './intake.kind';
export { emptyJobState, type JobState } from './jobState';
export type { JobKind } from './kind';
export { jobKinds } from './kinds';
export type { PhotoState } from './photo.kind';
export { rememberedOf, sameList } from './rememberedOf';
