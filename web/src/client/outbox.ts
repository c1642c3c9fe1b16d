'use client';

import type { Entry, NewEntry, Problem } from '@holotonos/core';
import { openDB, type IDBPDatabase } from 'idb';

/** An entry that the server has not acknowledged yet. */
export interface Waiting {
  ticket: string;
  entry: NewEntry;
}

interface Kept extends Waiting {
  order?: number;
}

export type Sent =
  | { status: 'acknowledged'; entry: Entry }
  /** the server will never take it: it says why */
  | { status: 'refused'; problems: Problem[] }
  /** nothing answered, or the database behind it did not: try again */
  | { status: 'unreachable' };

let database: Promise<IDBPDatabase | null> | null = null;

/** The browser's own store, or null where it has none (private windows): then entries wait in memory only. */
const open = () =>
  (database ??= openDB('holotonos', 1, {
    upgrade: (db) => {
      db.createObjectStore('outbox', { keyPath: 'order', autoIncrement: true }).createIndex('ticket', 'ticket');
    },
  }).catch(() => null));

/** Keeps an entry until it is acknowledged; survives reload and crash. */
export async function keep(waiting: Waiting): Promise<void> {
  await (await open())?.add('outbox', waiting satisfies Kept);
}

/** Entries of a ticket that were left waiting, oldest first. */
export async function waitingFor(ticket: string): Promise<Waiting[]> {
  const db = await open();
  return db ? ((await db.getAllFromIndex('outbox', 'ticket', ticket)) as Kept[]) : [];
}

/** Lets an entry go once the server has it, or will never take it. */
export async function release(ticket: string, id: string): Promise<void> {
  const db = await open();
  if (!db) return;
  const tx = db.transaction('outbox', 'readwrite');
  for await (const cursor of tx.store.index('ticket').iterate(ticket)) {
    if ((cursor.value as Kept).entry.id === id) await cursor.delete();
  }
  await tx.done;
}

/** Sends one entry. Sending it twice is harmless: the server knows it by its id. */
export async function send({ ticket, entry }: Waiting): Promise<Sent> {
  try {
    const response = await fetch(`/api/v1/jobs/${encodeURIComponent(ticket)}/entries`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify(entry),
    });
    if (response.ok) return { status: 'acknowledged', entry: ((await response.json()) as { entry: Entry }).entry };
    if (response.status >= 500 || response.status === 429) return { status: 'unreachable' };
    const body = (await response.json()) as { problems?: Problem[]; message?: string };
    return { status: 'refused', problems: body.problems ?? [{ path: '', message: body.message ?? 'was refused' }] };
  } catch {
    return { status: 'unreachable' };
  }
}
