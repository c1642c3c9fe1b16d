'use client';

import { openStore } from './browserStore';
import type { AnyNew, Aside, QueueWays } from './entryQueue';
import { jot, jottedFor, jottedLogs, unjot } from './jotted';

/**
 * Where a browser keeps what is on its way: the same for every logbook. Rows call the one they wait for `ticket`, which is
 * what all of them once were.
 */
export const keptInBrowser: Omit<QueueWays<AnyNew, never>, 'send' | 'pause'> = {
  load: async (log) => {
    // Looked at before the store: what it takes over meanwhile is then in one of the two at least.
    const jotted = jottedFor(log);
    const db = await openStore();
    if (!db) return { waiting: jotted, aside: [] };
    const [waiting, aside] = await Promise.all([
      db.getAllFromIndex('outbox', 'ticket', log) as Promise<{ entry: AnyNew }[]>,
      db.getAllFromIndex('aside', 'ticket', log) as Promise<Aside<AnyNew>[]>,
    ]);
    const kept = new Set(waiting.map(({ entry }) => entry.id));
    return {
      // What the store has was written before what it has not.
      waiting: [...waiting.map(({ entry }) => entry), ...jotted.filter(({ id }) => !kept.has(id))],
      aside: aside.map(({ entry, problems }) => ({ entry, problems })),
    };
  },
  keep: async (log, entry) => {
    jot(log, entry);
    const db = await openStore();
    if (!db) return;
    await db.add('outbox', { ticket: log, entry });
    unjot(entry.id);
  },
  release: async (log, id) => {
    unjot(id);
    const db = await openStore();
    if (!db) return;
    const tx = db.transaction('outbox', 'readwrite');
    for await (const cursor of tx.store.index('ticket').iterate(log)) {
      if ((cursor.value as { entry: AnyNew }).entry.id === id) await cursor.delete();
    }
    await tx.done;
  },
  keepAside: async (log, aside) => void (await (await openStore())?.put('aside', { ticket: log, ...aside })),
  releaseAside: async (_log, id) => (await openStore())?.delete('aside', id),
};

/** The logbooks that something is kept for: what an earlier page left on its way, or that was set aside. */
export async function keptLogs(): Promise<string[]> {
  const logs = new Set(jottedLogs());
  try {
    const db = await openStore();
    if (!db) return [...logs];
    for (const name of ['outbox', 'aside'])
      for await (const { key } of db.transaction(name).store.index('ticket').iterate(null, 'nextunique'))
        logs.add(String(key));
  } catch {
    // What cannot be read now is found by the page of its own job.
  }
  return [...logs];
}
