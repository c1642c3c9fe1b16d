import { afterAll, beforeAll } from '@jest/globals';
import { demoDatabase, testDatabase, type TestDatabase } from '../../store/tests/database';

/** The day the demo is laid on here: the routes’ answers hold figures of it. */
export const demoTime = { now: '2026-11-25T10:00:00.000Z', timeZone: 'Europe/Berlin' };

/** A database of its own for a file of tests, as the web process comes to it; with the demo, or empty. Gone after the last. */
export function webDatabase({ demo }: { demo: boolean }): { readonly database: TestDatabase } {
  const held: { database?: TestDatabase } = {};
  beforeAll(async () => {
    held.database = await (demo ? demoDatabase(demoTime) : testDatabase());
    process.env['DATABASE_URL'] = held.database.webUrl;
  });
  afterAll(async () => {
    const { holotonosStore, holotonosPrinter } = globalThis as {
      holotonosStore?: { close: () => Promise<void> };
      holotonosPrinter?: { terminate: () => Promise<unknown> };
    };
    await holotonosPrinter?.terminate();
    await holotonosStore?.close();
    await held.database?.drop();
  });
  return {
    get database() {
      if (!held.database) throw new Error('the database is there once the tests begin');
      return held.database;
    },
  };
}
