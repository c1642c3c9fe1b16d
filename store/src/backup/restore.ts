import { withClient } from '../database';
import { checkGuards } from '../guard';
import { migrateDatabase, newestMigration } from '../migrate';
import { sealOld } from '../owners/sealOld';
import { backedUp } from './backup';
import { BadBackup, readBackup, type BackupHeader, type BackupRow } from './backupFile';

/** The database holds something already. */
export class NotEmpty extends Error {
  override readonly name = 'NotEmpty';
}

/** So many characters of rows go to the database at once. */
const batchSize = 4_000_000;

/**
 * Reads a backup through without writing anything.
 *
 * @param migrations the folder of this program’s migrations
 * @returns what it holds
 * @throws BadBackup when it is no backup, damaged, or of a newer program
 */
export function verifyBackup(path: string, migrations: string): Promise<BackupHeader> {
  return readBackup(path, newestMigration(migrations), ({ table }) => {
    if (!backedUp.includes(table))
      throw new BadBackup(`This backup holds “${table}”, which this program does not know.`);
  });
}

export interface RestoreOptions {
  /** the folder of this program’s migrations */
  migrations: string;
  /** what `verifyBackup` has just said of this very file: it need not be read through once more */
  verified?: BackupHeader;
  onRows?: (written: number, of: number) => void;
}

/**
 * Brings a backup back into an empty database: all of it or nothing. The file is read through before anything is written.
 *
 * @param url of the database, as its owner; its tables are made where they are missing
 * @throws BadBackup, NotEmpty, or what the database says
 */
export async function restoreBackup(
  path: string,
  url: string,
  { migrations, verified, onRows }: RestoreOptions,
): Promise<BackupHeader> {
  const header = verified ?? (await verifyBackup(path, migrations));
  await migrateDatabase(url, migrations);
  await checkGuards(url);
  return withClient(url, async (client) => {
    await client.query('begin');
    for (const table of backedUp) {
      // Held until the end: nobody writes while it comes back.
      await client.query(`lock table ${table} in exclusive mode`);
      const { rowCount } = await client.query(`select from ${table} limit 1`);
      if (rowCount)
        throw new NotEmpty(
          'This database is not empty. A backup goes into an empty one, so that nothing is lost or mixed.',
        );
    }
    const total = Object.values(header.rows).reduce((sum, count) => sum + count, 0);
    let written = 0;
    let batch: BackupRow[] = [];
    let size = 0;
    const flush = async () => {
      const [first] = batch;
      if (!first) return;
      await client.query(
        `insert into ${first.table} overriding system value select * from jsonb_populate_recordset(null::${first.table}, $1::jsonb)`,
        [`[${batch.map(({ row }) => row).join(',')}]`],
      );
      written += batch.length;
      onRows?.(written, total);
      [batch, size] = [[], 0];
    };
    await readBackup(path, header.schema, async (row) => {
      if (batch[0] && (batch[0].table !== row.table || size + row.row.length > batchSize)) await flush();
      batch.push(row);
      size += row.row.length;
    });
    await flush();
    for (const [table, column] of [
      ['instrument_types', 'revision'],
      ['audit', 'seq'],
    ] as const)
      await client.query(
        `select setval(pg_get_serial_sequence('${table}', '${column}'), max(${column})) from ${table} having max(${column}) is not null`,
      );
    await client.query(`insert into audit (what, who, about) values ('restored', 'whoever runs the server', $1)`, [
      `a backup of ${header.madeAt}`,
    ]);
    // A connection that ends takes back what was not committed.
    await client.query('commit');
    // A backup may be older than the keys of owners.
    await sealOld(client);
    return header;
  });
}
