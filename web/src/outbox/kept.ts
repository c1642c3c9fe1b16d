'use client';

import type { Entry, NewEntry, Problem } from '@holotonos/core';
import { openDB, type IDBPDatabase } from 'idb';
import { askWho } from '@/frame/askWho';
import { jot, jottedFor, unjot } from './jotted';
import { isPractice } from './practiceTicket';
import { EntryQueue, type Aside, type QueueWays } from './entryQueue';

export type Sent =
  | { status: 'acknowledged'; entry: Entry }
  /** the server will not take it as it is, or chokes on it: it says why */
  | { status: 'refused'; problems: Problem[] }
  /** nothing answered, its database does not or has no room, or it wants to know who is there: try again */
  | { status: 'unreachable'; asksWho?: true };

/** Answers after which the same entry may be taken a little later. */
const later = new Set([428, 429, 502, 503, 504, 507]);

let database: Promise<IDBPDatabase | null> | null = null;

/** The browser's own store, or null where it has none (private windows): then entries wait in memory only. */
const open = () =>
  (database ??= openDB('holotonos', 3, {
    upgrade: (db, before) => {
      if (before < 1)
        db.createObjectStore('outbox', { keyPath: 'order', autoIncrement: true }).createIndex('ticket', 'ticket');
      if (before < 2) db.createObjectStore('aside', { keyPath: 'entry.id' }).createIndex('ticket', 'ticket');
      if (before < 3) db.createObjectStore('seen', { keyPath: ['ticket', 'seq'] });
    },
    // A tab with a newer version must not wait for this one.
    blocking: (_now, _wanted, event) => {
      (event.target as IDBDatabase).close();
      database = null;
    },
  }).catch(() => null));

/** Sends one entry. Sending it twice is harmless: the server knows it by its id. */
export async function send(ticket: string, entry: NewEntry): Promise<Sent> {
  let response: Response;
  try {
    response = await fetch(`/api/v1/jobs/${encodeURIComponent(ticket)}/entries`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify(entry),
    });
  } catch {
    return { status: 'unreachable' };
  }
  if (response.status === 401) {
    // It waits until somebody has said who is there.
    window.dispatchEvent(new Event(askWho));
    return { status: 'unreachable', asksWho: true };
  }
  if (later.has(response.status)) return { status: 'unreachable' };
  try {
    const body = (await response.json()) as { entry?: Entry; problems?: Problem[]; message?: string };
    if (response.ok && body.entry) return { status: 'acknowledged', entry: body.entry };
    return { status: 'refused', problems: body.problems ?? [{ path: '', message: body.message ?? 'was refused' }] };
  } catch {
    // An answer that broke off says nothing; one that is no answer of ours says that it will not be taken.
    if (response.ok) return { status: 'unreachable' };
    return {
      status: 'refused',
      problems: [{ path: '', message: `was answered with ${response.status} and no reason` }],
    };
  }
}

const inBrowser: QueueWays = {
  load: async (ticket) => {
    // Looked at before the store: what it takes over meanwhile is then in one of the two at least.
    const jotted = jottedFor(ticket);
    const db = await open();
    if (!db) return { waiting: jotted, aside: [] };
    const [waiting, aside] = await Promise.all([
      db.getAllFromIndex('outbox', 'ticket', ticket) as Promise<{ entry: NewEntry }[]>,
      db.getAllFromIndex('aside', 'ticket', ticket) as Promise<Aside[]>,
    ]);
    const kept = new Set(waiting.map(({ entry }) => entry.id));
    return {
      // What the store has was written before what it has not.
      waiting: [...waiting.map(({ entry }) => entry), ...jotted.filter(({ id }) => !kept.has(id))],
      aside: aside.map(({ entry, problems }) => ({ entry, problems })),
    };
  },
  keep: async (ticket, entry) => {
    jot(ticket, entry);
    const db = await open();
    if (!db) return;
    await db.add('outbox', { ticket, entry });
    unjot(entry.id);
  },
  release: async (ticket, id) => {
    unjot(id);
    const db = await open();
    if (!db) return;
    const tx = db.transaction('outbox', 'readwrite');
    for await (const cursor of tx.store.index('ticket').iterate(ticket)) {
      if ((cursor.value as { entry: NewEntry }).entry.id === id) await cursor.delete();
    }
    await tx.done;
  },
  keepAside: async (ticket, aside) => void (await (await open())?.put('aside', { ticket, ...aside })),
  releaseAside: async (_ticket, id) => (await open())?.delete('aside', id),
  send,
  pause: (ms) => new Promise((resolve) => setTimeout(resolve, ms)),
};

/** Kept of what a page has seen written since it was made; a page made anew has it all. */
const mostSeen = 5000;
const spanOf = (ticket: string, after: number, to = Infinity) =>
  IDBKeyRange.bound([ticket, after], [ticket, to], true, false);

/**
 * Keeps entries the server has acknowledged, so that a page that is kept in the browser goes on from where the hands were.
 * Where the browser has no room nothing is kept: the server has them all.
 */
export async function keepSeen(ticket: string, entries: readonly Entry[]): Promise<void> {
  try {
    const db = await open();
    if (!db || entries.length === 0) return;
    const tx = db.transaction('seen', 'readwrite');
    for (const entry of entries) await tx.store.put({ ticket, seq: entry.seq, entry });
    const last = entries.at(-1)?.seq ?? 0;
    await tx.store.delete(spanOf(ticket, -1, last - mostSeen));
    await tx.done;
  } catch {
    // It is only a help.
  }
}

/**
 * The entries this browser has seen that follow on what a page has, without a gap: after one the server would have to be
 * asked. What the page has itself is kept no longer.
 */
export async function seenAfter(ticket: string, after: number): Promise<Entry[]> {
  try {
    const db = await open();
    if (!db) return [];
    await db.delete('seen', spanOf(ticket, -1, after));
    const rows = (await db.getAll('seen', spanOf(ticket, after))) as { seq: number; entry: Entry }[];
    const whole = rows.findIndex(({ seq }, i) => seq !== after + 1 + i);
    return (whole === -1 ? rows : rows.slice(0, whole)).map(({ entry }) => entry);
  } catch {
    return [];
  }
}

/** Gives what was written on the practice ticket back as taken: it goes nowhere, and is kept among what was seen. */
let lastPractised = 1;
async function takenHere(ticket: string, entry: NewEntry): Promise<Sent> {
  const seen = await seenAfter(ticket, 1);
  const seq = (lastPractised = Math.max(lastPractised, seen.at(-1)?.seq ?? 1) + 1);
  return { status: 'acknowledged', entry: { ...entry, seq, receivedAt: entry.benchTime } };
}

/** Clears the practice ticket: the next time it is opened it is as it came. */
export async function clearPractice(ticket: string): Promise<void> {
  await (await open())?.delete('seen', spanOf(ticket, -1));
}

const queues = new Map<string, EntryQueue>();

/** The one queue of a ticket in this tab, whichever page writes into it. */
export function queueOf(ticket: string): EntryQueue {
  let queue = queues.get(ticket);
  if (!queue) {
    queue = new EntryQueue(ticket, isPractice(ticket) ? { ...inBrowser, send: takenHere } : inBrowser);
    queues.set(ticket, queue);
  }
  return queue;
}
