import { resolve } from 'node:path';
import { letWrite, loadDemo, migrateDatabase, openStore, type Store } from '../src';
import { demoCopy, newDatabase, type Copy } from './copies';

export const migrations = resolve(import.meta.dirname, '../migrations');

export type TestDatabase = Store & Omit<Copy, 'name'>;

async function migrate({ url, webUrl }: Copy): Promise<void> {
  await migrateDatabase(url, migrations);
  // Two test files at once may both make the role.
  await letWrite(url, webUrl, { ours: true }).catch(() => letWrite(url, webUrl, { ours: true }));
}

const opened = (copy: Copy): TestDatabase => {
  const store = openStore(copy.url);
  const drop = async () => {
    await store.close();
    await copy.drop();
  };
  return { ...store, ...copy, drop };
};

/** An empty database of its own, migrated unless asked otherwise. */
export async function testDatabase({ migrated = true } = {}): Promise<TestDatabase> {
  const empty = await newDatabase();
  if (migrated) await migrate(empty);
  return opened(empty);
}

/** Migrates a new database and loads the demo into it. */
export async function fillWithDemo(empty: Copy): Promise<void> {
  await migrate(empty);
  const store = openStore(empty.url);
  try {
    await loadDemo(store.db);
  } finally {
    await store.close();
  }
}

/** A database of its own with the demo in it. */
export const demoDatabase = async (): Promise<TestDatabase> => opened(await demoCopy());
