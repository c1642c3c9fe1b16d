export type { Entry, EntryBody, EntryKind, EntryOf, NewEntry, NewEntryOf } from './entry';
export { entryBodies, entryKinds, newEntrySchema, storedEntrySchema } from './entry.schema';
export {
  bodyProblems,
  entryProblems,
  entryWords,
  foldEntries,
  foldJob,
  logbookReader,
  misfits,
  readEntry,
  turnsPlan,
} from './jobLogbook';
export { emptyJobState, type JobState } from './jobState';
export type { JobKind } from './kind';
export type { PhotoState } from './photo.kind';
export { rememberedOf, sameList } from './rememberedOf';
