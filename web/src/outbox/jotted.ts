'use client';

import { readKept } from '@/frame/keptHere';
import type { AnyNew } from './entryQueue';

/**
 * Entries jotted down where the browser writes at once: its real store takes some milliseconds, and a page may be left, or
 * fall, with the very next key. Each is there only until the store has it. Where the browser keeps nothing (private windows,
 * no room) nothing is jotted.
 */
const prefix = 'holotonos-jotted ';

interface Jotted {
  /** the logbook it is for */
  ticket: string;
  /** their order in this browser */
  at: number;
  entry: AnyNew;
}

let last = 0;

/** Jots an entry down before anything else is done with it. */
export function jot(log: string, entry: AnyNew): void {
  // Two of the same instant keep their order.
  last = Math.max(last + 1, Date.now());
  try {
    localStorage.setItem(`${prefix}${entry.id}`, JSON.stringify({ ticket: log, at: last, entry } satisfies Jotted));
  } catch {
    // It is kept a little later, or sent.
  }
}

/** Lets go of one that is kept elsewhere, or sent. */
export function unjot(id: string): void {
  try {
    localStorage.removeItem(`${prefix}${id}`);
  } catch {
    // Nothing was jotted either.
  }
}

function allJotted(): Jotted[] {
  try {
    return Object.keys(localStorage)
      .filter((key) => key.startsWith(prefix))
      .flatMap((key) => (readKept(localStorage.getItem(key) ?? 'null') as Jotted | null) ?? []);
  } catch {
    return [];
  }
}

/** What pages that were left in between jotted down for a logbook, in the order it was written. */
export const jottedFor = (log: string): AnyNew[] =>
  allJotted()
    .filter(({ ticket }) => ticket === log)
    .sort((a, b) => a.at - b.at)
    .map(({ entry }) => entry);

/** The logbooks something is jotted down for. */
export const jottedLogs = (): string[] => allJotted().map(({ ticket }) => ticket);
