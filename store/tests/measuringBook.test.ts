import { afterAll, beforeAll, beforeEach, describe, expect, test } from '@jest/globals';
import { randomUUID } from 'node:crypto';
import { Readable } from 'node:stream';
import { foldJob, type NewEntry, type NewShopEntry, type ShopEntryBody } from '@holotonos/core';
import { zipSync, strToU8, unzipSync, strFromU8 } from 'fflate';
import {
  appendShopEntry,
  bookPackage,
  brackwaterJobs,
  importReadings,
  jobByTicket,
  jobEntries,
  lookAtCsv,
  openJob,
  readingsFromCsv,
  readingsFromPackage,
  readingsToCsv,
  shopState,
  sniffCsv,
  type ImportProgress,
} from '../src';
import { testDatabase, type TestDatabase } from './database';

const now = '2026-11-23T09:00:00.000Z';
const defaults = { author: 'Juno Tam', now, mintId: randomUUID };
const header = 'group,part,measure,clock (deg),value (mm),gauge,gauge resolution (mm),gauge max error (mm)';
const row = (i: number) => `pad,${i % 2 ? 'e' : 'f'},gap,${(i % 8) * 45},0.0${(i % 9) + 1},feeler-film,0.01,0.004`;
const fileOf = (rows: number) => [header, ...Array.from({ length: rows }, (_, i) => row(i))].join('\r\n') + '\r\n';
const bytesOf = (text: string): AsyncIterable<Uint8Array> => Readable.from([Buffer.from(text)]);

let store: TestDatabase;
let ticket = '';
beforeAll(async () => {
  store = await testDatabase();
});
afterAll(() => store.drop());
let tickets = 0;
beforeEach(async () => {
  tickets += 1;
  ticket = `B-${tickets}`;
  const body = {
    ticket,
    owner: 'o',
    instrumentType: 'alto-saxophone',
    family: 'saxophone',
    practice: 'stage',
    scope: 'repair',
    unit: 'mm',
  };
  await openJob(store.db, { id: randomUUID(), kind: 'intake', author: 'x', benchTime: now, body } as NewEntry);
});
const stored = async () => {
  const job = await jobByTicket(store.db, ticket);
  return jobEntries(store.db, job?.id ?? '');
};

describe('how a file is written', () => {
  test.each([
    ['a,b,value (mm)\n1,2,0.5\n', ',', '.'],
    ['a;b;value (mm)\n1;2;0,5\n', ';', ','],
    ['a;b;value (mm)\n1;2;0.5\n', ';', '.'],
    ['a\tvalue (mm)\n1\t0,5\n', '\t', ','],
    ['typed,value (mm)\n"1,5 mm",1.5\n', ',', '.'],
    ['\uFEFFa;value (mm)\r\n"x;y";−0,5\r\n', ';', ','],
    ['value (mm)\n', ',', '.'],
  ])('%j', (text, delimiter, decimal) => expect(sniffCsv(text)).toEqual({ delimiter, decimal }));

  test('is shown before anything is taken: columns, first rows, what is missing', () => {
    const look = lookAtCsv(fileOf(20).replaceAll(',', ';').replaceAll('.', ','));
    expect(look).toMatchObject({ dialect: { delimiter: ';', decimal: ',' }, problems: [] });
    expect(look.rows).toHaveLength(5);
    expect(look.columns.every(({ known }) => known)).toBe(true);
    const strange = lookAtCsv('group,colour\npad,red\n');
    expect(strange.columns).toEqual([
      { name: 'group', known: true },
      { name: 'colour', known: false },
    ]);
    expect(strange.problems.map(({ message }) => message).join()).toMatch(/“part” is missing/);
    expect(lookAtCsv('').problems.length).toBeGreaterThan(0);
  });
  test('a comma for the point is read as one', () => {
    const read = readingsFromCsv(fileOf(3).replaceAll(',', ';').replaceAll('.', ','), defaults);
    expect(read.ok && read.entries.map(({ body }) => body.value)).toEqual([0.01, 0.02, 0.03]);
  });
});

describe('a large file', () => {
  test('goes in whole, says how far it is, and is known when it comes again', async () => {
    const text = readingsToCsv(foldJob([])).trim();
    expect(text.split(',')[0]).toBe('entry');
    const said: ImportProgress[] = [];
    const options = { ...defaults, onProgress: (progress: ImportProgress) => void said.push(progress) };
    const ids = Array.from({ length: 3000 }, () => randomUUID());
    const known = [`entry,${header}`, ...ids.map((id, i) => `${id},${row(i)}`)].join('\n');
    expect(await importReadings(store.db, ticket, bytesOf(known), options)).toEqual({
      status: 'stored',
      added: 3000,
      known: 0,
    });
    expect(said.some(({ doing }) => doing === 'checking')).toBe(true);
    expect(said.at(-1)).toEqual({ doing: 'writing', rows: 3000 });
    expect((await stored()).map(({ seq }) => seq)).toEqual(Array.from({ length: 3001 }, (_, i) => i + 1));
    expect(await importReadings(store.db, ticket, bytesOf(known), options)).toMatchObject({ added: 0, known: 3000 });
  });
  test('with one bad row is named by line and column, and nothing of it is written', async () => {
    const lines = fileOf(2500).split('\r\n');
    lines[1200] = lines[1200]?.replace('feeler-film,0.01', 'feeler-film,fine') ?? '';
    lines[1800] = lines[1800]?.replace(/pad,[ef]/, 'pad,no-such-pad') ?? '';
    expect(await importReadings(store.db, ticket, bytesOf(lines.join('\r\n')), defaults)).toEqual({
      status: 'refused',
      problems: [
        { path: 'line 1201, column “gauge resolution (mm)”', message: '“fine” is not a figure' },
        { path: 'line 1801, column “part”', message: '“no-such-pad” is not a part of this instrument' },
      ],
    });
    expect(await stored()).toHaveLength(1);
  });
  test.each(['checking', 'writing'] as const)('stopped while %s leaves nothing behind', async (when) => {
    const stop = new AbortController();
    const outcome = await importReadings(store.db, ticket, bytesOf(fileOf(4000)), {
      ...defaults,
      signal: stop.signal,
      onProgress: ({ doing, rows }) => doing === when && rows >= 1000 && stop.abort(),
    });
    expect(outcome).toEqual({ status: 'stopped' });
    expect(await stored()).toHaveLength(1);
  });
  test('that is none, is empty, or names an id twice is refused in words; an unknown ticket too', async () => {
    const refused = async (text: string) => {
      const outcome = await importReadings(store.db, ticket, bytesOf(text), defaults);
      return outcome.status === 'refused' ? outcome.problems[0]?.message : outcome.status;
    };
    expect(await refused('')).toBe('is empty');
    expect(await refused('a,b\n1,2\n')).toMatch(/is missing/);
    expect(await refused(`${header}\n"unclosed`)).toMatch(/not readable as CSV/);
    const id = randomUUID();
    expect(await refused(`entry,${header}\n${id},${row(1)}\n${id},${row(2)}\n`)).toBe('stands in the file twice');
    expect(await importReadings(store.db, 'NO-1', bytesOf(''), defaults)).toEqual({ status: 'no-job' });
  });
});

describe('the measuring book as a data package', () => {
  const state = brackwaterJobs()[0]?.state ?? foldJob([]);
  test('comes back as it went out, to the last reading', () => {
    const read = readingsFromPackage(bookPackage(state, 'LL-201'), defaults);
    if (!read.ok) throw new Error(JSON.stringify(read.problems.slice(0, 3)));
    const live = state.entries.filter((entry) => entry.kind === 'reading' && !state.struck.has(entry.id));
    const sorted = (list: readonly { id: string }[]) => [...list].sort((a, b) => a.id.localeCompare(b.id));
    expect(sorted(read.entries)).toEqual(sorted(live.map(({ seq: _seq, receivedAt: _at, ...entry }) => entry)));
    expect(read.entries.map(({ benchTime }) => benchTime)).toEqual(live.map(({ benchTime }) => benchTime));
  });
  test('describes every column of every file', () => {
    const files = unzipSync(bookPackage(state, 'LL-201'));
    const description = JSON.parse(strFromU8(files['datapackage.json'] ?? new Uint8Array())) as {
      resources: { path: string; schema: { fields: { name: string }[] } }[];
    };
    expect(description.resources.length).toBeGreaterThan(3);
    for (const { path, schema } of description.resources) {
      const first = strFromU8(files[path] ?? new Uint8Array()).split('\r\n')[0];
      expect(first).toBe(schema.fields.map(({ name }) => name).join(','));
    }
  });
  test('of a job nobody has measured is a package all the same, and comes back empty', () => {
    const bare = foldJob(state.entries.slice(0, 1));
    const files = unzipSync(bookPackage(bare, 'LL-9'));
    const description = JSON.parse(strFromU8(files['datapackage.json'] ?? new Uint8Array())) as {
      name: string;
      resources: { name: string; path: string; schema: { fields: { name: string }[] } }[];
    };
    // A package has at least one resource, each with a name in small letters and a file that is there.
    expect(description.name).toMatch(/^[a-z0-9._-]+$/);
    expect(description.resources).toHaveLength(1);
    const [only] = description.resources;
    expect(only?.name).toMatch(/^[a-z0-9._-]+$/);
    expect(strFromU8(files[only?.path ?? ''] ?? new Uint8Array())).toBe(
      `${only?.schema.fields.map(({ name }) => name).join(',')}\r\n`,
    );
    expect(readingsFromPackage(bookPackage(bare, 'LL-9'), defaults)).toEqual({ ok: true, entries: [] });
  });
  test('that is none is refused in words', () => {
    const says = (bytes: Uint8Array) => {
      const read = readingsFromPackage(bytes, defaults);
      return read.ok ? 'taken' : read.problems.map(({ path, message }) => `${path} ${message}`.trim()).join('; ');
    };
    const whole = bookPackage(state, 'LL-201');
    expect(says(new Uint8Array([1, 2, 3]))).toMatch(/not a zip/);
    expect(says(whole.slice(0, whole.length / 2))).toMatch(/not a zip/);
    expect(says(zipSync({ 'a.csv': strToU8('x') }))).toMatch(/has no datapackage.json/);
    expect(says(zipSync({ 'datapackage.json': strToU8('{"resources":7}') }))).toMatch(/does not list/);
    const lost = zipSync({ 'datapackage.json': strToU8('{"resources":[{"path":"gone.csv"}]}') });
    expect(says(lost)).toBe('gone.csv is not in the package');
    const bad = zipSync({
      'datapackage.json': strToU8('{"resources":[{"path":"a.csv"}]}'),
      'a.csv': strToU8(`${header}\n${row(1).replace('0.02', 'wide')}\n`),
    });
    expect(says(bad)).toBe('a.csv, line 2, column “value (mm)” “wide” is not a figure');
    expect(says(zipSync({ 'datapackage.json': new Uint8Array(65 * 1024 * 1024) }))).toMatch(/more than 64 MB/);
  });
});

describe('the logbook of the shop', () => {
  const entry = (shows: number): NewShopEntry => ({
    id: randomUUID(),
    kind: 'gauge-check',
    author: 'Juno Tam',
    benchTime: now,
    body: { gauge: 'micrometer', shows } satisfies ShopEntryBody<'gauge-check'>,
  });
  test('keeps what it was given once, refuses what is not well-formed, and cannot be changed', async () => {
    const first = entry(0.001);
    expect(await appendShopEntry(store.db, first)).toEqual({ status: 'stored', known: false });
    expect(await appendShopEntry(store.db, first)).toEqual({ status: 'stored', known: true });
    expect(await appendShopEntry(store.db, { ...entry(2), id: first.id })).toEqual({ status: 'conflict' });
    expect(await appendShopEntry(store.db, { ...entry(0), author: '' })).toMatchObject({ status: 'refused' });
    expect((await shopState(store.db)).checks).toMatchObject([{ gauge: 'micrometer', shows: 0.001 }]);
    await expect(store.db.execute('delete from shop_entries')).rejects.toThrow();
    await expect(store.db.execute("update shop_entries set author = 'y'")).rejects.toThrow();
  });
});
