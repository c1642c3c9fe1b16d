import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { migrate } from 'drizzle-orm/node-postgres/migrator';
import { drizzle } from 'drizzle-orm/node-postgres';
import { Client } from 'pg';
import { sealOld } from './owners/sealOld';

/** Any number that no one else uses for an advisory lock in this database. */
const migrationLock = 0x401_0704;

/** The database has migrations this program does not know. */
export class NewerDatabase extends Error {
  override readonly name = 'NewerDatabase';
}

/** When the newest migration of a folder was written, ms since 1970: by this a schema is newer than another. */
export function newestMigration(folder: string): number {
  const { entries } = JSON.parse(readFileSync(join(folder, 'meta/_journal.json'), 'utf8')) as {
    entries: { when: number }[];
  };
  return Math.max(...entries.map(({ when }) => when));
}

/**
 * Brings a database to the present schema. Forward only; safe to call from several processes at once.
 *
 * @param folder the migrations folder
 * @throws NewerDatabase when the database was made by a later version
 */
export async function migrateDatabase(url: string, folder: string): Promise<void> {
  const client = new Client({ connectionString: url });
  await client.connect();
  try {
    // Drizzle takes no lock of its own, and two starts at once would both create the tables.
    await client.query('select pg_advisory_lock($1)', [migrationLock]);
    const table = await client.query("select to_regclass('drizzle.__drizzle_migrations') as found");
    if (table.rows[0]?.found !== null) {
      const newest = await client.query('select max(created_at)::float8 as at from drizzle.__drizzle_migrations');
      if (newest.rows[0]?.at > newestMigration(folder)) {
        throw new NewerDatabase(
          'This database was written by a newer Holotonos. Update the program, or name another database.',
        );
      }
    }
    await migrate(drizzle(client), { migrationsFolder: folder });
    await sealOld(client);
  } finally {
    await client.end();
  }
}
