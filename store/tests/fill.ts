import { resolve } from 'node:path';
import { letWrite, loadDemo, migrateDatabase, openStore } from '../src';
import type { DemoPlace } from '../src/demo/loadDemo';
import type { Copy } from './copies';

export const migrations = resolve(import.meta.dirname, '../migrations');

/** Makes the tables of a new database, and lets the web process’s role in. */
export async function migrate({ url, webUrl }: Copy): Promise<void> {
  await migrateDatabase(url, migrations);
  // Two test files at once may both make the role.
  await letWrite(url, webUrl, { ours: true }).catch(() => letWrite(url, webUrl, { ours: true }));
}

/** Migrates a new database and loads the demo into it. */
export async function fillWithDemo(empty: Copy, at?: DemoPlace): Promise<void> {
  await migrate(empty);
  const store = openStore(empty.url);
  try {
    await loadDemo(store.db, at);
  } finally {
    await store.close();
  }
}
