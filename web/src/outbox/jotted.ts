'use client';

import type { NewEntry } from '@holotonos/core';
import { readKept } from '@/frame/keptHere';

/**
 * Entries jotted down where the browser writes at once: its real store takes some milliseconds, and a page may be left, or
 * fall, with the very next key. Each is there only until the store has it. Where the browser keeps nothing (private windows,
 * no room) nothing is jotted.
 */
const prefix = 'holotonos-jotted ';

interface Jotted {
  ticket: string;
  /** their order in this browser */
  at: number;
  entry: NewEntry;
}

let last = 0;

/** Jots an entry down before anything else is done with it. */
export function jot(ticket: string, entry: NewEntry): void {
  // Two of the same instant keep their order.
  last = Math.max(last + 1, Date.now());
  try {
    localStorage.setItem(`${prefix}${entry.id}`, JSON.stringify({ ticket, at: last, entry } satisfies Jotted));
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

/** What pages that were left in between jotted down for a ticket, in the order it was written. */
export function jottedFor(ticket: string): NewEntry[] {
  try {
    return Object.keys(localStorage)
      .filter((key) => key.startsWith(prefix))
      .flatMap((key) => {
        const jotted = readKept(localStorage.getItem(key) ?? 'null') as Jotted | null;
        return jotted?.ticket === ticket ? [jotted] : [];
      })
      .sort((a, b) => a.at - b.at)
      .map(({ entry }) => entry);
  } catch {
    return [];
  }
}
