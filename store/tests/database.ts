import { createHash, randomUUID } from 'node:crypto';
import { readdirSync, statSync } from 'node:fs';
import { join, resolve } from 'node:path';
import pg from 'pg';
import { letWrite, loadDemo, migrateDatabase, openStore, type Store } from '../src';

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

const urlOf = (name: string) => `${serverUrl()}/${name}`;

async function migrate(url: string, webUrl: string): Promise<void> {
  await migrateDatabase(url, migrations);
  // Two test files at once may both make the role.
  await letWrite(url, webUrl, { ours: true }).catch(() => letWrite(url, webUrl, { ours: true }));
}

const webUrlOf = (name: string) =>
  Object.assign(new URL(urlOf(name)), { username: webRole, password: webPassword }).href;

/** A new database, a copy of another if one is named. */
async function newDatabase(template = 'template1'): Promise<TestDatabase & { name: string }> {
  const name = `test_${randomUUID().replaceAll('-', '')}`;
  await onServer((client) => client.query(`create database ${name} template ${template}`));
  const url = urlOf(name);
  const store = openStore(url);
  return {
    ...store,
    name,
    url,
    webUrl: webUrlOf(name),
    drop: async () => {
      await store.close();
      await onServer((client) => client.query(`drop database ${name} with (force)`));
    },
  };
}

/** An empty database of its own, migrated unless asked otherwise. */
export async function testDatabase({ migrated = true } = {}): Promise<TestDatabase> {
  const database = await newDatabase();
  if (migrated) await migrate(database.url, database.webUrl);
  return database;
}

/** Changes whenever a file the demo is made with does: a server that outlives a run must not serve an older demo. */
function demoVersion(): string {
  const root = resolve(import.meta.dirname, '../..');
  const files = ['core/src', 'store/src', 'store/migrations'].flatMap((folder) =>
    readdirSync(join(root, folder), { recursive: true, withFileTypes: true })
      .filter((entry) => entry.isFile())
      .map(({ parentPath, name }) => join(parentPath, name)),
  );
  const told = files.sort().map((file) => `${file} ${statSync(file).mtimeMs}`);
  return createHash('sha256').update(told.join('\n')).digest('hex').slice(0, 16);
}

/** Whoever makes the copies' original holds this lock; the others wait for it. */
const makingDemo = 4_610_001;

/** A database of its own with the demo in it: loaded once a server, then copied. */
export async function demoDatabase(): Promise<TestDatabase> {
  const original = `demo_${demoVersion()}`;
  await onServer(async (client) => {
    await client.query('select pg_advisory_lock($1)', [makingDemo]);
    const { rowCount } = await client.query('select 1 from pg_database where datname = $1', [original]);
    if (rowCount) return;
    const made = await newDatabase();
    await migrate(made.url, made.webUrl);
    await loadDemo(made.db);
    await made.close();
    // Only whole does it get the name that others look for.
    await client.query(`alter database ${made.name} rename to ${original}`);
  });
  return newDatabase(original);
}
