import { createHash } from 'node:crypto';
import { once } from 'node:events';
import { createWriteStream } from 'node:fs';
import { open, rename, rm } from 'node:fs/promises';
import { finished } from 'node:stream/promises';
import { createGzip } from 'node:zlib';
import { withClient } from '../database';
import { guards, keyTables } from '../guard';
import { backupVersion, endLine, rowLine, type BackupHeader } from './backupFile';

/** Tables in ink and who has a key, each after those its rows hang on. What is derived is made anew by itself. */
export const backedUp: readonly string[] = [
  'jobs',
  ...Object.keys(guards).filter((table) => table !== 'jobs'),
  ...keyTables,
];

/** Rows fetched at once: a picture may be megabytes long. */
const atOnce = (table: string): number => (table === 'photos' ? 4 : 1000);

export interface BackupOptions {
  /** ISO 8601 */
  now: string;
  /** asked to end: nothing is left behind */
  signal?: AbortSignal;
  /** how far it is; waited for */
  onRows?: (written: number, of: number) => void | Promise<void>;
}

/**
 * Writes all that a database holds into one file, as it was at one moment, whatever is written meanwhile.
 *
 * JSON a line, gzipped: what it holds first, then row by row as PostgreSQL itself prints them, photos among them, at last a
 * SHA-256 of all before. The file appears under its name when it is whole.
 *
 * @throws what the database or the disk says; the file is then not there
 */
export function writeBackup(url: string, path: string, options: BackupOptions): Promise<BackupHeader> {
  const { now, signal, onRows } = options;
  const part = `${path}.part`;
  return withClient(url, async (client) => {
    try {
      await client.query('begin transaction isolation level repeatable read read only');
      const counts: [string, number][] = [];
      for (const table of backedUp) {
        const { rows } = await client.query<{ n: number }>(`select count(*)::int as n from ${table}`);
        counts.push([table, rows[0]?.n ?? 0]);
      }
      const newest = await client.query<{ at: number }>(
        'select max(created_at)::float8 as at from drizzle.__drizzle_migrations',
      );
      const header: BackupHeader = {
        holotonos: 'backup',
        version: backupVersion,
        madeAt: now,
        schema: newest.rows[0]?.at ?? 0,
        rows: Object.fromEntries(counts),
      };
      const total = counts.reduce((sum, [, count]) => sum + count, 0);
      const file = createWriteStream(part, { flags: 'w', mode: 0o600 });
      const packed = createGzip();
      // Whoever waits for room must also hear that the disk is full.
      const done = finished(packed.pipe(file));
      done.catch(() => undefined);
      const hash = createHash('sha256');
      const put = async (line: string) => {
        if (!packed.write(`${line}\n`)) await Promise.race([once(packed, 'drain'), done]);
      };
      const say = (line: string) => {
        hash.update(`${line}\n`);
        return put(line);
      };
      await say(JSON.stringify(header));
      let written = 0;
      for (const table of backedUp) {
        await client.query(`declare rows_of no scroll cursor for select to_jsonb(t)::text as row from ${table} t`);
        for (;;) {
          signal?.throwIfAborted();
          const { rows } = await client.query<{ row: string }>(`fetch ${atOnce(table)} from rows_of`);
          if (rows.length === 0) break;
          for (const { row } of rows) await say(rowLine(table, row));
          written += rows.length;
          await onRows?.(written, total);
        }
        await client.query('close rows_of');
      }
      await put(endLine(hash.digest('hex')));
      packed.end();
      await done;
      await settle(part);
      await rename(part, path);
      return header;
    } catch (error) {
      await rm(part, { force: true });
      throw error;
    }
  });
}

/** Waits until a file is on the disk, not only on its way there. */
async function settle(path: string): Promise<void> {
  const file = await open(path, 'r+');
  try {
    await file.sync();
  } finally {
    await file.close();
  }
}
