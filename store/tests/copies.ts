import { createHash, randomUUID } from 'node:crypto';
import { readdirSync, statSync } from 'node:fs';
import { join, resolve } from 'node:path';
import pg from 'pg';
import type { DemoPlace } from '../src/demo/loadDemo';

// What drives the application from outside needs a database, not the store: loading that takes seconds a file.

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

export interface Copy {
  name: string;
  /** as its owner */
  url: string;
  /** as the web process comes in: owning nothing */
  webUrl: string;
  drop: () => Promise<void>;
}

/** A new database, a copy of another if one is named. */
export async function newDatabase(original = 'template1'): Promise<Copy> {
  const name = `test_${randomUUID().replaceAll('-', '')}`;
  await onServer((client) => client.query(`create database ${name} template ${original}`));
  const url = `${serverUrl()}/${name}`;
  return {
    name,
    url,
    webUrl: Object.assign(new URL(url), { username: webRole, password: webPassword }).href,
    drop: async () => {
      await onServer((client) => client.query(`drop database ${name} with (force)`));
    },
  };
}

const digestOf = (text: string) => createHash('sha256').update(text).digest('hex').slice(0, 16);

/** Changes whenever a file the originals are made with does: a server that outlives a run must not serve older ones. */
function readVersion(): string {
  const root = resolve(import.meta.dirname, '../..');
  const files = ['core/src', 'store/src', 'store/migrations'].flatMap((folder) =>
    readdirSync(join(root, folder), { recursive: true, withFileTypes: true })
      .filter((entry) => entry.isFile())
      .map(({ parentPath, name }) => join(parentPath, name)),
  );
  const told = files.sort().map((file) => `${file} ${statSync(file).mtimeMs}`);
  return digestOf(told.join('\n'));
}

let version: string | undefined;
/** The same for all tests of a file: nobody changes a source meanwhile. */
const sourcesVersion = (): string => (version ??= readVersion());

/** Whoever makes an original holds this lock; the others wait for it. */
const makingOriginals = 4_610_001;

/** A copy of an original of that name, which is made once a server. */
async function copyOf(name: string, fill: (made: Copy) => Promise<void>): Promise<Copy> {
  const original = `${name}_${sourcesVersion()}`;
  await onServer(async (client) => {
    await client.query('select pg_advisory_lock($1)', [makingOriginals]);
    const { rowCount } = await client.query('select 1 from pg_database where datname = $1', [original]);
    if (rowCount) return;
    const made = await newDatabase();
    await fill(made);
    // Only whole does it get the name that others look for.
    await client.query(`alter database ${made.name} rename to ${original}`);
  });
  return newDatabase(original);
}

/** A database of its own with the tables and nothing in them. */
export const emptyCopy = (): Promise<Copy> => copyOf('empty', async (made) => (await import('./fill')).migrate(made));

/** A database of its own with the demo in it, laid on today or as it is said. */
export const demoCopy = (at?: DemoPlace): Promise<Copy> =>
  copyOf(at ? `demo_${digestOf(JSON.stringify(at))}` : 'demo', async (made) =>
    (await import('./fill')).fillWithDemo(made, at),
  );

export type DemoBesides = Copy & { pool: pg.Pool };

/** A copy of the demo with connections to look into it, as whoever drives the application from outside does. */
export async function demoBesides(): Promise<DemoBesides> {
  const copy = await demoCopy();
  const pool = new pg.Pool({ connectionString: copy.url, max: 2 });
  // The server ends idle connections where a test restarts it.
  pool.on('error', () => undefined);
  const drop = async () => {
    await pool.end();
    await copy.drop();
  };
  return { ...copy, pool, drop };
}
