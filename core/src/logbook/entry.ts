import type { EntryBody, EntryKind } from './entry.schema';

interface Envelope {
  /** UUID made by whoever writes the entry, so that sending it again is harmless */
  id: string;
  author: string;
  /** when it happened at the bench, ISO 8601 */
  benchTime: string;
}

/** An entry on its way to the logbook. */
export type NewEntry = { [K in EntryKind]: Envelope & { kind: K; body: EntryBody<K> } }[EntryKind];
export type NewEntryOf<K extends EntryKind> = Extract<NewEntry, { kind: K }>;

/** What the database adds: the order within the job, and when it arrived. */
export interface Receipt {
  seq: number;
  receivedAt: string;
}

/** An entry in the logbook. */
export type Entry = NewEntry & Receipt;
export type EntryOf<K extends EntryKind> = Extract<Entry, { kind: K }>;
