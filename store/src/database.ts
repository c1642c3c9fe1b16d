import { drizzle, type NodePgDatabase } from 'drizzle-orm/node-postgres';
import { Pool } from 'pg';
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
  const pool = new Pool({ connectionString: url, max: connections, connectionTimeoutMillis: connectTimeoutMs });
  // An idle connection that the server ends must not end the process; the next query opens another.
  pool.on('error', () => undefined);
  return { db: drizzle(pool, { schema, casing: 'snake_case' }), pool, close: () => pool.end() };
}

/** The SQLSTATE behind an error that Drizzle has wrapped, or null. */
export function sqlState(error: unknown): string | null {
  for (let e = error; e instanceof Error; e = e.cause) {
    const { code } = e as { code?: unknown };
    if (typeof code === 'string') return code;
  }
  return null;
}
