import { createHash } from 'node:crypto';
import { createReadStream } from 'node:fs';
import { pipeline } from 'node:stream/promises';
import { createGunzip } from 'node:zlib';

/** The form of the file; a higher one is of a newer program. */
export const backupVersion = 1;

/** The first line of a backup: what it holds, and of which schema. */
export interface BackupHeader {
  holotonos: 'backup';
  version: number;
  /** when it was made, ISO 8601 */
  madeAt: string;
  /** when the newest migration of its database was written, ms since 1970 */
  schema: number;
  /** rows of each table */
  rows: Readonly<Record<string, number>>;
}

/** A file that is no backup, is damaged, or is of a newer program. Says what to do. */
export class BadBackup extends Error {
  override readonly name = 'BadBackup';
}

/** What tells a row’s own text from its line. */
export const rowLine = (table: string, row: string): string => `{"table":${JSON.stringify(table)},"row":${row}}`;
export const endLine = (sha256: string): string => JSON.stringify({ end: { sha256 } });

/** One row as the database wrote it: its figures are never read into JavaScript and printed again. */
export interface BackupRow {
  table: string;
  /** JSON */
  row: string;
}

const another = 'Take another backup; earlier ones lie beside it where they are made on a timer.';
const damaged = (what: string) => new BadBackup(`This backup is damaged: ${what}. Nothing was written. ${another}`);

const newer = () => new BadBackup('This backup was made by a newer Holotonos. Update the program, then restore.');

function readHeader(line: string, knownSchema: number): BackupHeader {
  let header: Partial<BackupHeader> | null = null;
  try {
    header = JSON.parse(line) as Partial<BackupHeader> | null;
  } catch {
    // Said below, with all else that is no backup.
  }
  if (header?.holotonos !== 'backup' || typeof header.version !== 'number')
    throw new BadBackup('This file is no backup of Holotonos. Name one that bin/holotonos backup has made.');
  if (header.version > backupVersion) throw newer();
  const { schema, rows, madeAt } = header;
  if (typeof schema !== 'number' || typeof madeAt !== 'string' || typeof rows !== 'object')
    throw damaged('its first line lacks what it holds');
  if (schema > knownSchema) throw newer();
  return header as BackupHeader;
}

const rowStart = /^\{"table":"([a-z_]+)","row":/;

function readRow(line: string): BackupRow {
  const [start, table] = rowStart.exec(line) ?? [];
  if (start === undefined || table === undefined || !line.endsWith('}')) throw damaged('a line of it is no row');
  return { table, row: line.slice(start.length, -1) };
}

/**
 * Lines of a gzipped file; what gzip itself finds wrong is said as damage. Only a line feed ends a line: a text may hold
 * other marks that readers of lines take for one.
 */
async function* linesOf(path: string): AsyncGenerator<string> {
  const packed = createReadStream(path);
  const plain = createGunzip();
  // Ends both when either fails; the failure comes out of the loop.
  const flow = pipeline(packed, plain);
  flow.catch(() => undefined);
  let begun: string[] = [];
  try {
    for await (const chunk of plain.setEncoding('utf8') as AsyncIterable<string>) {
      const [first = '', ...rest] = chunk.split('\n');
      begun.push(first);
      for (const next of rest) {
        yield begun.join('');
        begun = [next];
      }
    }
    await flow;
  } catch (error) {
    // Opening the file may be what failed: then the other end only heard that it was closed.
    const why = packed.errored ?? error;
    if ((why as NodeJS.ErrnoException).code?.startsWith('Z_'))
      throw damaged('it is cut short, or changed since it was made');
    throw why;
  } finally {
    packed.destroy();
    plain.destroy();
  }
  if (begun.some((text) => text !== '')) yield begun.join('');
}

/**
 * Reads a backup from its beginning to its end.
 *
 * @param onRow is given each row; waits for it
 * @param schema of the program that reads it: a newer file is refused
 * @throws BadBackup when it is no backup, damaged, or of a newer program; rows before the damage were given already, so
 * whoever writes reads it through once before
 */
export async function readBackup(
  path: string,
  schema: number,
  onRow: (row: BackupRow) => void | Promise<void> = () => undefined,
): Promise<BackupHeader> {
  const hash = createHash('sha256');
  let header: BackupHeader | null = null;
  let end: string | null = null;
  const counted: Record<string, number> = {};
  for await (const line of linesOf(path)) {
    if (end !== null) throw damaged('something stands after its end');
    if (header === null) header = readHeader(line, schema);
    else if (line.startsWith('{"end":')) {
      end = line;
      continue;
    } else {
      const row = readRow(line);
      counted[row.table] = (counted[row.table] ?? 0) + 1;
      await onRow(row);
    }
    hash.update(`${line}\n`);
  }
  if (header === null) throw new BadBackup('This file is empty.');
  if (end === null) throw damaged('its end is missing');
  if (end !== endLine(hash.digest('hex'))) throw damaged('its checksum is not that of what stands in it');
  for (const table of new Set([...Object.keys(header.rows), ...Object.keys(counted)]))
    if ((header.rows[table] ?? 0) !== (counted[table] ?? 0))
      throw damaged(`it should hold ${header.rows[table] ?? 0} rows of ${table} and holds ${counted[table] ?? 0}`);
  return header;
}
