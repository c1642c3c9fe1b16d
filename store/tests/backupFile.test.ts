import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { createHash } from 'node:crypto';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';
import { backupVersion, BadBackup, endLine, readBackup, rowLine, type BackupRow } from '../src/backup/backupFile';

let folder: string;
beforeAll(() => {
  folder = mkdtempSync(join(tmpdir(), 'backup-file-'));
});
afterAll(() => rmSync(folder, { recursive: true, force: true }));

const schema = 7;
const photo = rowLine('photos', '{"name":"E key"}');
const entry = rowLine('entries', '{"seq":1}');

/** A file whose checksum is right, whatever its first line says stands in it. */
function file(rows: Record<string, number>, lines: readonly string[]): string {
  const header = { holotonos: 'backup', version: backupVersion, schema, madeAt: '2026-05-04T09:00:00.000Z', rows };
  const text = [JSON.stringify(header), ...lines].map((line) => `${line}\n`).join('');
  const path = join(folder, 'made.gz');
  writeFileSync(path, gzipSync(`${text}${endLine(createHash('sha256').update(text).digest('hex'))}\n`));
  return path;
}

describe('a file of a backup whose checksum is right', () => {
  test('is read row by row, as the database wrote them', async () => {
    const seen: BackupRow[] = [];
    const header = await readBackup(file({ photos: 1, entries: 2, stock: 0 }, [photo, entry, entry]), schema, (row) => {
      seen.push(row);
    });
    expect(header.rows).toEqual({ photos: 1, entries: 2, stock: 0 });
    expect(seen).toEqual([
      { table: 'photos', row: '{"name":"E key"}' },
      { table: 'entries', row: '{"seq":1}' },
      { table: 'entries', row: '{"seq":1}' },
    ]);
  });

  test.each([
    ['lacks a row', { photos: 1, entries: 2 }, 'it should hold 2 rows of entries and holds 1'],
    ['has one too many', { photos: 1, entries: 0 }, 'it should hold 0 rows of entries and holds 1'],
    ['has rows it says nothing of', { photos: 1 }, 'it should hold 0 rows of entries and holds 1'],
    ['lacks a table', { photos: 1, entries: 1, stock: 3 }, 'it should hold 3 rows of stock and holds 0'],
    ['lacks the only row of one', { photos: 1, entries: 1, stock: 1 }, 'it should hold 1 rows of stock and holds 0'],
  ])('and %s is damaged', async (_, rows, why) => {
    const reading = readBackup(file(rows, [photo, entry]), schema);
    await expect(reading).rejects.toThrow(BadBackup);
    await expect(reading).rejects.toThrow(why);
  });
});
