import { knowTypes, shippedTypes } from '@holotonos/core';
import { drizzle, type NodePgDatabase } from 'drizzle-orm/node-postgres';
import { Client, Pool } from 'pg';
import * as schema from './schema';

export type Database = NodePgDatabase<typeof schema>;

export interface Store {
  db: Database;
  pool: Pool;
  close: () => Promise<void>;
}

/** How long a page waits for a connection before it says that the database does not answer, ms. */
const connectTimeoutMs = 10_000;

/** Opens a pool on a PostgreSQL server. Does not connect yet: the first query does. */
export function openStore(url: string, connections = 10): Store {
  // Said outright: a bundler leaves out what nobody names.
  knowTypes(shippedTypes);
  const pool = new Pool({ connectionString: url, max: connections, connectionTimeoutMillis: connectTimeoutMs });
  // An idle connection that the server ends must not end the process; the next query opens another.
  pool.on('error', () => undefined);
  return { db: drizzle(pool, { schema, casing: 'snake_case' }), pool, close: () => pool.end() };
}

/** Works on one connection of its own, and ends it however the work ends. */
export async function withClient<T>(url: string, work: (client: Client) => Promise<T>): Promise<T> {
  const client = new Client({ connectionString: url });
  await client.connect();
  try {
    return await work(client);
  } finally {
    await client.end();
  }
}

/** The address of another database on the same server. */
export const besideOf = (url: string, name: string): string =>
  Object.assign(new URL(url), { pathname: `/${name}` }).href;

/** Makes the database an address names, where its server has none of that name. Says whether it did. */
export const createDatabase = (url: string): Promise<boolean> =>
  withClient(besideOf(url, 'postgres'), async (client) => {
    const name = decodeURIComponent(new URL(url).pathname.slice(1));
    const { rowCount } = await client.query('select 1 from pg_database where datname = $1', [name]);
    if (rowCount) return false;
    await client.query(`create database ${client.escapeIdentifier(name)}`);
    return true;
  });

/** The SQLSTATE behind an error that Drizzle has wrapped, or null. */
export function sqlState(error: unknown): string | null {
  for (let e = error; e instanceof Error; e = e.cause) {
    const { code } = e as { code?: unknown };
    if (typeof code === 'string') return code;
  }
  return null;
}
