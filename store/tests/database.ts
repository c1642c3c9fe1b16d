import { randomUUID } from 'node:crypto';
import { resolve } from 'node:path';
import pg from 'pg';
import { letWrite, migrateDatabase, openStore, type Store } from '../src';

export const migrations = resolve(import.meta.dirname, '../migrations');

/** The server of the throw-away cluster that bin/test starts. */
function serverUrl(): string {
  const url = process.env.HOLOTONOS_TEST_SERVER;
  if (!url) throw new Error('HOLOTONOS_TEST_SERVER is not set: run these tests with bin/test');
  return url;
}

async function onServer<T>(work: (client: pg.Client) => Promise<T>): Promise<T> {
  const client = new pg.Client({ connectionString: `${serverUrl()}/postgres` });
  await client.connect();
  try {
    return await work(client);
  } finally {
    await client.end();
  }
}

/** One role for all test databases: roles belong to a server. */
const webRole = 'holotonos_web';
const webPassword = 'test';

export interface TestDatabase extends Store {
  /** as its owner */
  url: string;
  /** as the web process comes in: owning nothing */
  webUrl: string;
  drop: () => Promise<void>;
}

/** An empty database of its own, migrated unless asked otherwise. */
export async function testDatabase({ migrated = true } = {}): Promise<TestDatabase> {
  const name = `test_${randomUUID().replaceAll('-', '')}`;
  await onServer((client) => client.query(`create database ${name}`));
  const url = `${serverUrl()}/${name}`;
  const web = Object.assign(new URL(url), { username: webRole, password: webPassword });
  if (migrated) {
    await migrateDatabase(url, migrations);
    // Two test files at once may both make it.
    await letWrite(url, web.href, { ours: true }).catch(() => letWrite(url, web.href, { ours: true }));
  }
  const store = openStore(url);
  return {
    ...store,
    url,
    webUrl: web.href,
    drop: async () => {
      await store.close();
      await onServer((client) => client.query(`drop database ${name} with (force)`));
    },
  };
}
