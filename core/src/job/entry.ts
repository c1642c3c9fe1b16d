import type { Envelope, Receipt } from '../logbook';
import type { jobKinds } from './kinds';

export type EntryKind = keyof typeof jobKinds;
export type EntryBody<K extends EntryKind> = Parameters<(typeof jobKinds)[K]['fold']>[1]['body'];

/** An entry on its way to the logbook. */
export type NewEntry = { [K in EntryKind]: Envelope & { kind: K; body: EntryBody<K> } }[EntryKind];
export type NewEntryOf<K extends EntryKind> = Extract<NewEntry, { kind: K }>;

/** An entry in the logbook. */
export type Entry = NewEntry & Receipt;
export type EntryOf<K extends EntryKind> = Extract<Entry, { kind: K }>;
