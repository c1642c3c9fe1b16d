'use client';

import { openDB, type IDBPDatabase } from 'idb';

let database: Promise<IDBPDatabase | null> | null = null;

/** The browser's own store, or null where it has none (private windows): then entries wait in memory only. */
export const openStore = () =>
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
