import { afterAll, beforeAll, beforeEach, describe, expect, test } from '@jest/globals';
import { randomUUID } from 'node:crypto';
import { Readable } from 'node:stream';
import { foldJob, type Entry, type NewShopEntry, type ShopEntryBody } from '@holotonos/core';
import { parse } from 'csv-parse/sync';
import fc from 'fast-check';
import { zipSync, strToU8, unzipSync, strFromU8 } from 'fflate';
import {
  appendShopEntry,
  bookPackage,
  filesInPackage,
  groupsWithReadings,
  importBook,
  importReadings,
  jobByTicket,
  jobEntries,
  lookAtCsv,
  openJob,
  readReadings,
  readingsToCsv,
  shopState,
  sniffCsv,
  type ImportProgress,
} from '../src';
import { testDatabase, type TestDatabase } from './database';
import { storyJobs } from './story';
import { intakeOf, now } from './entries';

const defaults = { author: 'Juno Tam', now, mintId: randomUUID };
const header = 'group,part,measure,clock (deg),value (mm),gauge,gauge resolution (mm),gauge max error (mm)';
const row = (i: number) => `pad,${i % 2 ? 'e' : 'f'},gap,${(i % 8) * 45},0.0${(i % 9) + 1},feeler-film,0.01,0.004`;
const fileOf = (rows: number) => [header, ...Array.from({ length: rows }, (_, i) => row(i))].join('\r\n') + '\r\n';
const bytesOf = (text: string): AsyncIterable<Uint8Array> => Readable.from([Buffer.from(text)]);
const readCsv = (text: string, options = defaults) => readReadings([{ name: '', bytes: bytesOf(text) }], options);
const readBook = async (bytes: Uint8Array) => {
  const unpacked = filesInPackage(bytes);
  return unpacked.ok ? readReadings(unpacked.files, defaults) : unpacked;
};

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
  await openJob(store.db, intakeOf(ticket));
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
  test('a comma for the point is read as one', async () => {
    const read = await readCsv(fileOf(3).replaceAll(',', ';').replaceAll('.', ','));
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
    let after = 0;
    const outcome = await importReadings(store.db, ticket, bytesOf(fileOf(4000)), {
      ...defaults,
      signal: stop.signal,
      onProgress: ({ doing, rows }) => {
        after += Number(stop.signal.aborted);
        if (doing === when && rows >= 1000) stop.abort();
      },
    });
    expect(outcome).toEqual({ status: 'stopped' });
    // Heard at once, not at the end of the file.
    expect(after).toBe(0);
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

test('a group stands in the book from its first reading on', async () => {
  const groups = async () => groupsWithReadings(foldJob(await stored()));
  expect(await groups()).toEqual([]);
  await importReadings(store.db, ticket, bytesOf(fileOf(1)), defaults);
  expect(await groups()).toEqual(['pad']);
});

describe('the measuring book as a data package', () => {
  const state = storyJobs()[0]?.state ?? foldJob([]);
  test('comes back as it went out, to the last reading', async () => {
    const read = await readBook(bookPackage(state, 'LL-201'));
    if (!read.ok) throw new Error(JSON.stringify(read.problems.slice(0, 3)));
    const live = state.entries.filter((entry) => entry.kind === 'reading' && !state.struck.has(entry.id));
    const sorted = (list: readonly { id: string }[]) => [...list].sort((a, b) => a.id.localeCompare(b.id));
    expect(sorted(read.entries)).toEqual(sorted(live.map(({ seq: _seq, receivedAt: _at, ...entry }) => entry)));
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
  test('of a job nobody has measured is a package all the same, and comes back empty', async () => {
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
    expect(await readBook(bookPackage(bare, 'LL-9'))).toEqual({ ok: true, entries: [] });
  });
  test('that is none is refused in words', async () => {
    const says = async (bytes: Uint8Array) => {
      const read = await readBook(bytes);
      return read.ok ? 'taken' : read.problems.map(({ path, message }) => `${path} ${message}`.trim()).join('; ');
    };
    const whole = bookPackage(state, 'LL-201');
    expect(await says(new Uint8Array([1, 2, 3]))).toMatch(/not a zip/);
    expect(await says(whole.slice(0, whole.length / 2))).toMatch(/not a zip/);
    expect(await says(zipSync({ 'a.csv': strToU8('x') }))).toMatch(/has no datapackage.json/);
    expect(await says(zipSync({ 'datapackage.json': strToU8('{"resources":7}') }))).toMatch(/does not list/);
    const lost = zipSync({ 'datapackage.json': strToU8('{"resources":[{"path":"gone.csv"}]}') });
    expect(await says(lost)).toBe('gone.csv is not in the package');
    const bad = zipSync({
      'datapackage.json': strToU8('{"resources":[{"path":"a.csv"}]}'),
      'a.csv': strToU8(`${header}\n${row(1).replace('0.02', 'wide')}\n`),
    });
    expect(await says(bad)).toBe('a.csv, line 2, column “value (mm)” “wide” is not a figure');
    expect(await says(zipSync({ 'datapackage.json': new Uint8Array(65 * 1024 * 1024) }))).toMatch(/more than 64 MB/);
  });
  const book = (files: Record<string, string>, resources: { path: string }[]) =>
    zipSync({
      'datapackage.json': strToU8(JSON.stringify({ resources })),
      ...Object.fromEntries(Object.entries(files).map(([name, text]) => [name, strToU8(text)])),
    });
  const refusal = async (bytes: Uint8Array) => {
    const outcome = await importBook(store.db, ticket, bytes, defaults);
    return outcome.status === 'refused' ? outcome.problems[0] : outcome;
  };
  test('goes in whole, what was read first first; once more and nothing is new', async () => {
    const at = (time: string, i: number) => `${time},${row(i)}`;
    const files = {
      'a.csv': `bench time,${header}\n${at('2026-11-23T10:00:00Z', 1)}\n`,
      'b.csv': `bench time,${header}\n${at('2026-11-23T08:00:00Z', 2)}\n${at('2026-11-23T11:00:00Z', 3)}\n`,
    };
    const bytes = book(files, [{ path: 'a.csv' }, { path: 'b.csv' }]);
    expect(await importBook(store.db, ticket, bytes, defaults)).toEqual({ status: 'stored', added: 3, known: 0 });
    const times = (await stored()).slice(1).map(({ benchTime }) => new Date(benchTime).getUTCHours());
    expect(times).toEqual([8, 10, 11]);
    expect(await importBook(store.db, 'NO-1', bytes, defaults)).toEqual({ status: 'no-job' });
  });
  test('one bad row in one file and nothing of the others is written', async () => {
    const bytes = book({ 'a.csv': fileOf(3), 'b.csv': `${header}\n${row(1).replace(/pad,[ef]/, 'pad,none')}\n` }, [
      { path: 'a.csv' },
      { path: 'b.csv' },
    ]);
    expect(await refusal(bytes)).toMatchObject({ path: 'b.csv, line 2, column “part”' });
    expect(await stored()).toHaveLength(1);
  });
  test('a file named a thousand times is read once, or rather not at all', async () => {
    const begun = performance.now();
    const bytes = book(
      { 'a.csv': fileOf(2000) },
      Array.from({ length: 1000 }, () => ({ path: 'a.csv' })),
    );
    expect(bytes.length).toBeLessThan(20_000);
    expect(await refusal(bytes)).toEqual({ path: 'datapackage.json', message: 'lists “a.csv” twice' });
    const many = Object.fromEntries(Array.from({ length: 60 }, (_, i) => [`${i}.csv`, header]));
    expect(await refusal(book(many, [{ path: '0.csv' }]))).toEqual({ path: '', message: 'holds more than 50 files' });
    expect(performance.now() - begun).toBeLessThan(5000);
    expect(await stored()).toHaveLength(1);
  });
  test.each(['__proto__', 'constructor', 'toString', '../a.csv'])('%s names no file', async (path) => {
    const description = strToU8(`{"resources":[{"path":${JSON.stringify(path)}}]}`);
    expect(await refusal(zipSync({ 'datapackage.json': description }))).toEqual({
      path,
      message: 'is not in the package',
    });
  });
});

describe('what is no table', () => {
  // Its end was looked for through all of the file, again with each piece of it.
  test.each([
    ['without line ends', '', 'x'],
    ['whose quote never closes', `${header}\n"`, 'y\n'],
    ['of one row with columns without end', `${header}\n`, ','],
  ])('a file %s is refused before it is read', async (_, begins, goesOn) => {
    let pieces = 0;
    async function* endless() {
      yield Buffer.from(begins);
      for (; pieces < 2000; pieces += 1) yield Buffer.alloc(64 * 1024, goesOn);
    }
    const read = await readReadings([{ name: 'a.csv', bytes: endless() }], defaults);
    expect(read).toEqual({
      ok: false,
      problems: [{ path: 'a.csv', message: 'is not a table: one row is longer than 64 KB' }],
    });
    expect(pieces).toBeLessThan(40);
  });
  test.each(['0x10', '0b1', '1_0', 'Infinity', '1e999', '--1', '1,5,5', '٣', ''])(
    'the figure “%s” is none',
    async (figure) => {
      const read = await readCsv(`${header}\n${row(1).replace('0.02', JSON.stringify(figure))}\n`);
      expect(read).toMatchObject({ ok: false, problems: [{ message: `“${figure}” is not a figure` }] });
    },
  );
  test.each([
    ['0.5', 0.5],
    ['.5', 0.5],
    ['-0.5', -0.5],
    ['−0.5', -0.5],
    ['+2.', 2],
    ['5e-7', 5e-7],
  ])('the figure “%s” is one', async (figure, value) => {
    const read = await readCsv(`${header}\n${row(1).replace('0.02', figure)}\n`);
    expect(read.ok && read.entries[0]?.body.value).toBe(value);
  });
  test('rows are counted over all files of a book', async () => {
    const half = fileOf(101);
    const read = await readReadings(
      ['a.csv', 'b.csv', 'c.csv'].map((name) => ({ name, bytes: bytesOf(half) })),
      { ...defaults, mostRows: 200 },
    );
    expect(read).toEqual({
      ok: false,
      problems: [{ path: 'b.csv, line 101', message: 'more than 200 rows: split the file' }],
    });
  });
});

describe('a text that a table program would take for a formula', () => {
  const [job] = storyJobs();
  const sample = job?.entries.find((entry) => entry.kind === 'reading');
  const texts = fc.oneof(
    fc.constantFrom('=1+1', '+1', '-0.02 mm', '@x', "'", "'=x", "''=x", "it's", '=cmd|x', "'+", '\tx'),
    fc.string({ unit: fc.constantFrom('=', '+', '-', '@', "'", 'a', '"', ',', ';', '.'), minLength: 1, maxLength: 6 }),
  );
  test('goes out as text, and comes back as it was', async () => {
    if (!sample || !job) throw new Error('the demo has readings');
    await fc.assert(
      fc.asyncProperty(texts, texts, async (typed, name) => {
        const body = { ...sample.body, typed, gauge: { ...sample.body.gauge, name } };
        const csv = readingsToCsv(foldJob([job.entries[0], { ...sample, seq: 2, body }] as Entry[]));
        for (const cell of (parse(csv) as string[][])[1] ?? [])
          expect(/^[=+\-@\t\r]/.test(cell) && !/^-\d/.test(cell) ? cell : '').toBe('');
        const read = await readCsv(csv);
        expect(read.ok && [read.entries[0]?.body.typed, read.entries[0]?.body.gauge.name]).toEqual([typed, name]);
      }),
      { numRuns: 200 },
    );
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
    expect(await appendShopEntry(store.db, first)).toMatchObject({ status: 'stored', known: false });
    expect(await appendShopEntry(store.db, first)).toMatchObject({ status: 'stored', known: true });
    expect(await appendShopEntry(store.db, { ...entry(2), id: first.id })).toEqual({ status: 'conflict' });
    expect(await appendShopEntry(store.db, { ...entry(0), author: '' })).toMatchObject({ status: 'refused' });
    expect((await shopState(store.db)).checks).toMatchObject([{ gauge: 'micrometer', shows: 0.001 }]);
    await expect(store.db.execute('delete from shop_entries')).rejects.toThrow();
    await expect(store.db.execute("update shop_entries set author = 'y'")).rejects.toThrow();
  });

  test('counts without gaps however many write at once, and takes each once', async () => {
    const { seq: before } = await shopState(store.db);
    const list = Array.from({ length: 20 }, (_, i) => entry(i / 1000));
    const answers = await Promise.all([...list, ...list].map((each) => appendShopEntry(store.db, each)));
    const seqs = answers.flatMap((answer) => (answer.status === 'stored' && !answer.known ? [answer.entry.seq] : []));
    expect(seqs.sort((a, b) => a - b)).toEqual(list.map((_, i) => before + 1 + i));
    expect(answers.filter((answer) => answer.status === 'stored' && answer.known)).toHaveLength(20);
    expect((await shopState(store.db)).seq).toBe(before + 20);
  });
  test('what is struck counts for nothing, stays in the table, and cannot be struck by what is no entry', async () => {
    const checks = async () => (await shopState(store.db)).checks.map(({ shows }) => shows);
    const wrong = entry(9.5);
    await appendShopEntry(store.db, wrong);
    expect(await checks()).toContain(9.5);
    const strike = { ...wrong, id: randomUUID(), kind: 'strike' as const, body: { entry: wrong.id } };
    expect(await appendShopEntry(store.db, strike)).toMatchObject({ status: 'stored' });
    expect(await checks()).not.toContain(9.5);
    const again = { ...strike, id: randomUUID(), body: { entry: strike.id } };
    expect(await appendShopEntry(store.db, again)).toMatchObject({
      status: 'refused',
      problems: [{ path: '/body/entry', message: expect.stringMatching(/is itself a strike/) }],
    });
  });
});
