import {
  foldEntries,
  foldJob,
  type Entry,
  type InstrumentType,
  type JobState,
  type LearnedTimes,
  type ShopState,
} from '@holotonos/core';

/** A value on its way from the server to a page, as the one text that it is. */
export type Sent<T> = string & { readonly sends?: T };

/**
 * What a page is given that is large. As an object it would be walked value by value three times: when it is put into the
 * page, when the page is drawn on the server, and when it wakes in the browser. As a text it is read at once.
 */
export const sent = <T>(value: T): Sent<T> => JSON.stringify(value);

/** What a job's page knows beside the job. */
export interface AroundJob {
  /** what the entries name and do not bring along */
  types: readonly InstrumentType[];
  shop: ShopState;
  /** what the shop's clock says about the table's times */
  learned: LearnedTimes;
}

let around: { text: string; value: AroundJob } | null = null;

/** The same text as last time is the same value: a server draws page after page with it. */
export function readAround(text: Sent<AroundJob>): AroundJob {
  if (around?.text !== text) around = { text, value: JSON.parse(text) as AroundJob };
  return around.value;
}

let logbook: { text: string; entries: Entry[] } | null = null;

/**
 * Reads a logbook. One that goes on from the logbook read last has its very entries: a server that draws a ticket again
 * need not fold and judge anew what it had then.
 */
export function readEntries(text: Sent<Entry[]>): Entry[] {
  if (logbook?.text === text) return logbook.entries;
  // A list goes on where it was closed: “[a,b]”, then “[a,b,c]”.
  const known = logbook && text.startsWith(`${logbook.text.slice(0, -1)},`) ? logbook : null;
  const entries = known
    ? [...known.entries, ...(JSON.parse(`[${text.slice(known.text.length)}`) as Entry[])]
    : (JSON.parse(text) as Entry[]);
  logbook = { text, entries };
  return entries;
}

let folded: { entries: readonly Entry[]; state: JobState } | null = null;

/** What is true after these entries, from what was true after those that were folded last; types they name must be known. */
export function foldOn(entries: readonly Entry[]): JobState {
  const before = folded?.entries.length ?? 0;
  const goesOn = folded && before > 0 && entries[before - 1] === folded.entries[before - 1];
  const state = folded && goesOn ? foldEntries(folded.state, entries.slice(before)) : foldJob(entries);
  folded = { entries, state };
  return state;
}
