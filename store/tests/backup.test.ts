import { afterAll, beforeAll, describe, expect, jest, test } from '@jest/globals';
import { randomUUID } from 'node:crypto';
import { existsSync, mkdtempSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { gunzipSync, gzipSync } from 'node:zlib';
import {
  appendEntry,
  appendShopEntry,
  backedUp,
  BadBackup,
  jobByTicket,
  jobEntries,
  NotEmpty,
  openStore,
  restoreBackup,
  shopState,
  stockState,
  verifyBackup,
  writeBackup,
} from '../src';
import { demoDatabase, migrations, testDatabase, type TestDatabase } from './database';
import { entryOf, now } from './entries';

let demo: TestDatabase;
const folder = mkdtempSync(join(tmpdir(), 'backup-'));
const file = (name: string) => join(folder, name);
beforeAll(async () => {
  // Each database here is another to this process, as it is meant to be; it says so each time.
  jest.spyOn(console, 'error').mockImplementation(() => undefined);
  demo = await demoDatabase();
});
afterAll(async () => {
  await demo.drop();
  rmSync(folder, { recursive: true, force: true });
});

/** Every row of every table in ink, as the database prints it. */
async function allOf(database: TestDatabase): Promise<Record<string, string[]>> {
  const out: Record<string, string[]> = {};
  for (const table of backedUp) {
    const { rows } = await database.pool.query<{ row: string }>(`select t::text as row from ${table} t order by 1`);
    out[table] = rows.map(({ row }) => row);
  }
  return out;
}
const lines = (path: string) => gunzipSync(readFileSync(path)).toString('utf8').split('\n');
/** The file with its plain text changed; its checksum stays as it was. */
const changed = (path: string, change: (text: string) => string, name = 'changed.gz') => {
  writeFileSync(file(name), gzipSync(change(gunzipSync(readFileSync(path)).toString('utf8'))));
  return file(name);
};

describe('a backup', () => {
  test('holds every table in ink: one that is added is backed up or named as derived', async () => {
    const { rows } = await demo.pool.query<{ name: string }>(
      "select relname as name from pg_class where relkind = 'r' and relnamespace = 'public'::regnamespace",
    );
    const left = [
      'outcomes',
      'step_times',
      'summaries',
      'sessions',
      'verifications',
      'rate_limits',
      'benches',
      'secrets',
    ];
    expect([...backedUp, ...left].sort()).toEqual(rows.map(({ name }) => name).sort());
  });

  test('of the demo, restored, is the demo, row by row, and the bench goes on from there', async () => {
    // What a table program, a terminal or a reader of lines might trip over.
    const text = 'ends a line elsewhere:\u2028 \u2029 \r \u0085 and “so on” \\ " 𝅘𝅥𝅮 {"end":{}}';
    await appendEntry(demo.db, 'LL-201', entryOf('note', { text }));
    const path = file('demo.gz');
    const seen: number[] = [];
    const header = await writeBackup(demo.url, path, { now, onRows: (written) => void seen.push(written) });
    const total = Object.values(header.rows).reduce((sum, count) => sum + count, 0);
    expect(seen.at(-1)).toBe(total);
    expect(header.rows['photos']).toBeGreaterThan(0);
    expect(statSync(path).mode & 0o777).toBe(0o600);
    expect(existsSync(`${path}.part`)).toBe(false);
    expect(await verifyBackup(path, migrations)).toEqual(header);

    const other = await testDatabase({ migrated: false });
    try {
      const back: number[] = [];
      await restoreBackup(path, other.url, { migrations, onRows: (written) => void back.push(written) });
      expect(back.at(-1)).toBe(total);
      // That it was brought back stands in the audit, and is all that was added.
      const [restored, kept] = [await allOf(other), await allOf(demo)];
      expect(restored['audit']?.filter((line) => !kept['audit']?.includes(line))).toEqual([
        expect.stringContaining(`restored,"whoever runs the server","a backup of ${now}"`),
      ]);
      expect({ ...restored, audit: kept['audit'] }).toEqual(kept);
      const list = async ({ db }: TestDatabase) =>
        (await jobEntries(db, (await jobByTicket(db, 'LL-201'))?.id ?? '')).map(({ id, body }) => [id, body]);
      expect(await list(other)).toEqual(await list(demo));
      expect((await shopState(other.db)).gauges).toEqual((await shopState(demo.db)).gauges);
      expect((await stockState(other.db)).items).toEqual((await stockState(demo.db)).items);
      // Nobody restores the lists: they are worked out anew.
      expect(await appendEntry(other.db, 'LL-201', entryOf('note', { text: 'goes on' }))).toMatchObject({
        status: 'stored',
      });
      expect(await appendEntry(other.db, 'LL-201', entryOf('note', { text: 'and on' }))).toMatchObject({
        status: 'stored',
      });
      await expect(other.pool.query("update entries set author = 'x'")).rejects.toThrow();
    } finally {
      await other.drop();
    }
  });

  test('is of one moment, whatever is written meanwhile', async () => {
    const path = file('moment.gz');
    let wrote = false;
    const header = await writeBackup(demo.url, path, {
      now,
      onRows: async () => {
        if (wrote) return;
        wrote = true;
        const during = await appendEntry(demo.db, 'LL-202', entryOf('note', { text: 'meanwhile' }));
        expect(during).toMatchObject({ status: 'stored' });
      },
    });
    const held = lines(path).filter((line) => line.startsWith('{"table":"entries"'));
    expect(held).toHaveLength(header.rows['entries'] ?? -1);
    expect(held.join()).not.toContain('"meanwhile"');
  });

  test('that is stopped, or cannot be written, leaves nothing behind', async () => {
    const stop = new AbortController();
    const path = file('stopped.gz');
    const writing = writeBackup(demo.url, path, { now, signal: stop.signal, onRows: () => stop.abort() });
    await expect(writing).rejects.toThrow();
    await expect(writeBackup(demo.url, file('no/such/folder.gz'), { now })).rejects.toThrow('ENOENT');
    expect([existsSync(path), existsSync(`${path}.part`)]).toEqual([false, false]);
  });
});

describe('a restore', () => {
  let empty: TestDatabase;
  const good = file('good.gz');
  beforeAll(async () => {
    await writeBackup(demo.url, good, { now });
    empty = await testDatabase();
  });
  afterAll(() => empty.drop());
  const restore = (path: string) => restoreBackup(path, empty.url, { migrations });
  const isEmpty = async () => Object.values(await allOf(empty)).every((rows) => rows.length === 0);

  test.each([
    ['cut short', () => (writeFileSync(file('cut.gz'), readFileSync(good).subarray(0, -2000)), 'cut.gz'), /damaged/],
    [
      'with a byte turned over',
      () => {
        const bytes = Buffer.from(readFileSync(good));
        const at = Math.floor(bytes.length / 2);
        bytes[at] = (bytes[at] ?? 0) ^ 0xff;
        writeFileSync(file('bit.gz'), bytes);
        return 'bit.gz';
      },
      /damaged/,
    ],
    [
      'with a figure changed',
      () => (changed(good, (text) => text.replace('"seq": 3,', '"seq": 4,')), 'changed.gz'),
      /checksum/,
    ],
    [
      'without its last lines',
      () => (changed(good, (text) => text.slice(0, text.lastIndexOf('{"end"'))), 'changed.gz'),
      /end is missing/,
    ],
    ['with something after its end', () => (changed(good, (text) => `${text}{}\n`), 'changed.gz'), /after its end/],
    [
      'with a line that is no row',
      () => (changed(good, (text) => text.replace('{"table":"entries"', '{"tabel":"entries"')), 'changed.gz'),
      /no row/,
    ],
    [
      'of a newer program',
      () => (changed(good, (text) => text.replace(/"schema":\d+/, '"schema":9999999999999')), 'changed.gz'),
      /newer Holotonos/,
    ],
    [
      'of a newer form',
      () => (changed(good, (text) => text.replace('"version":1', '"version":2')), 'changed.gz'),
      /newer Holotonos/,
    ],
    [
      'that is something else',
      () => (writeFileSync(file('other.gz'), gzipSync('hello\n')), 'other.gz'),
      /no backup of Holotonos/,
    ],
    ['that is not even packed', () => (writeFileSync(file('plain.gz'), 'hello\n'), 'plain.gz'), /damaged/],
    ['that is empty', () => (writeFileSync(file('none.gz'), gzipSync('')), 'none.gz'), /empty/],
  ])('of a file %s is refused before anything is written', async (_, make, why) => {
    const path = file(make());
    await expect(restore(path)).rejects.toThrow(why);
    await expect(restore(path)).rejects.toThrow(BadBackup);
    await expect(verifyBackup(path, migrations)).rejects.toThrow(why);
    expect(await isEmpty()).toBe(true);
  });

  test('of a file that is not there says so', () => expect(restore(file('nowhere.gz'))).rejects.toThrow('ENOENT'));

  test('goes into an empty database only, and is all or nothing', async () => {
    // A row that the database itself refuses: the checksum is made right, so that only its rule can stop it.
    await restore(good);
    const before = await allOf(empty);
    await expect(restore(good)).rejects.toThrow(NotEmpty);
    expect(await allOf(empty)).toEqual(before);
    const { db } = empty;
    const zone = { ...(await shopState(db)).hours, timeZone: 'Asia/Tokyo' };
    const written = await appendShopEntry(db, { ...entryOf('note', {}), kind: 'hours', body: zone } as never);
    expect(written).toMatchObject({ status: 'stored' });
  });

  test('takes up the numbers of kept types where they were', async () => {
    const third = await testDatabase({ migrated: false });
    try {
      await restoreBackup(good, third.url, { migrations });
      const { rows } = await third.pool.query<{ max: number | null }>('select max(revision) from instrument_types');
      const store = openStore(third.url);
      await third.pool.query("insert into instrument_types (id, document, author) values ('mine', '{}', $1)", [
        randomUUID(),
      ]);
      const { rows: after } = await third.pool.query<{ max: number }>('select max(revision) from instrument_types');
      expect(after[0]?.max).toBe((rows[0]?.max ?? 0) + 1);
      await store.close();
    } finally {
      await third.drop();
    }
  });
});
