import { afterAll, beforeAll } from '@jest/globals';
import { loadDemo } from '@holotonos/store';
import { testDatabase, type TestDatabase } from '../../store/tests/database';

/** A database of its own for a file of tests, as the web process comes to it; with the demo, or empty. Gone after the last. */
export function webDatabase({ demo }: { demo: boolean }): { readonly database: TestDatabase } {
  const held: { database?: TestDatabase } = {};
  beforeAll(async () => {
    held.database = await testDatabase();
    if (demo) await loadDemo(held.database.db, { now: '2026-11-25T10:00:00.000Z', timeZone: 'Europe/Berlin' });
    process.env['DATABASE_URL'] = held.database.webUrl;
  });
  afterAll(async () => {
    await (globalThis as { holotonosStore?: { close: () => Promise<void> } }).holotonosStore?.close();
    await held.database?.drop();
  });
  return {
    get database() {
      if (!held.database) throw new Error('the database is there once the tests begin');
      return held.database;
    },
  };
}
