import { afterAll, beforeAll, describe, expect, jest, test } from '@jest/globals';
import { randomUUID } from 'node:crypto';
import { readJobDocument, toJobDocument, type NewEntry, type NewStockEntry } from '@holotonos/core';
import {
  appendEntry,
  appendShopEntry,
  appendStockEntry,
  importJob,
  jobByTicket,
  jobEntries,
  jobState,
  keptTypes,
  readingsToCsv,
  shopState,
  stockState,
} from '../src';
import { demoDatabase, testDatabase, type TestDatabase } from './database';

jest.setTimeout(240_000);

let database: TestDatabase;
beforeAll(async () => {
  database = await demoDatabase();
  // What is kept out today may have got in before there was anything to keep it out.
  await database.pool.query('alter table entries drop constraint entries_of_this_age');
  await database.pool.query('alter table shop_entries drop constraint shop_entries_of_this_age');
  await database.pool.query('alter table stock_entries drop constraint stock_entries_of_this_age');
});
afterAll(() => database.drop());

const good = '2026-11-23T09:00:00Z';
const point = { group: 'pad', part: 'e', measure: 'gap', clock: 0 };
/** Rubbish of every kind: kind, body, author, bench time. */
const rubbish: [string, string, unknown, string, string][] = [
  ['a year before Christ', 'note', { text: 'x' }, 'Juno Tam', '0001-12-31 10:00:00+00 BC'],
  ['a year no calendar has', 'note', { text: 'x' }, 'Juno Tam', '40000-01-01 00:00:00+00'],
  ['no time at all', 'note', { text: 'x' }, 'Juno Tam', 'infinity'],
  ['time from the other end', 'note', { text: 'x' }, 'Juno Tam', '-infinity'],
  ['a body that is null', 'reading', null, 'Juno Tam', good],
  ['a body that is a list', 'reading', [], 'Juno Tam', good],
  ['a body that is a number', 'finding', 12, 'Juno Tam', good],
  ['a body that is a text', 'operation-done', 'done', 'Juno Tam', good],
  ['an empty body', 'reading', {}, 'Juno Tam', good],
  ['a reading of nothing', 'reading', { point: null, value: 'x', typed: 1, gauge: [] }, 'Juno Tam', good],
  [
    'a reading of a group that is none',
    'reading',
    { point: { ...point, group: '__proto__' }, value: 1, typed: '1', gauge: {} },
    'x',
    good,
  ],
  [
    'disturbing with no list',
    'operation-done',
    { operation: 'x', title: 'x', minutes: 1, disturbs: null, cures: null },
    'x',
    good,
  ],
  ['a strike of nothing', 'strike', { entry: null }, 'x', good],
  ['a strike of itself', 'strike', {}, 'x', good],
  ['an intake that is none', 'intake', { ticket: 'LL-201' }, 'x', good],
  ['a sign-off without cautions', 'sign-off', {}, 'x', good],
  ['a change of nothing', 'instrument-change', { put: { holes: 'all' } }, 'x', good],
  ['an unknown kind', 'spell', { text: 'abracadabra' }, 'x', good],
  ['no kind', '', {}, 'x', good],
  ['nobody', 'note', { text: 'x' }, '', good],
  ['somebody with a long name', 'note', { text: 'x' }, 'x'.repeat(5000), good],
  ['minutes beyond all time', 'soak', { soak: randomUUID(), part: 'e', with: 'oil', minutes: 1e300 }, 'x', good],
  ['one that says it cannot be read', 'unreadable', { kind: 'note', problem: 'none', was: '{}' }, 'x', good],
  ['a deep body', 'note', JSON.parse('{"a":'.repeat(200) + '1' + '}'.repeat(200)), 'x', good],
];

async function put(
  table: 'entries' | 'shop_entries' | 'stock_entries',
  row: (typeof rubbish)[number],
  jobId: string,
): Promise<string> {
  const [, kind, body, author, time] = row;
  const id = randomUUID();
  if (table !== 'entries')
    await database.pool.query(
      `insert into ${table} (seq, id, kind, body, author, bench_time) select coalesce(max(seq), 0) + 1, $1, $2, $3, $4, $5 from ${table}`,
      [id, kind, JSON.stringify(body), author, time],
    );
  else
    await database.pool.query(
      'insert into entries (job_id, seq, id, kind, body, author, bench_time) select $1, max(seq) + 1, $2, $3, $4, $5, $6 from entries where job_id = $1',
      [jobId, id, kind, JSON.stringify(body), author, time],
    );
  return id;
}

describe('rubbish in the logbook of a job', () => {
  const ids = new Map<string, string>();
  const job = async () => (await jobByTicket(database.db, 'LL-201')) ?? { id: '', ticket: '' };
  let before: Awaited<ReturnType<typeof jobState>>;
  beforeAll(async () => {
    before = await jobState(database.db, (await job()).id);
    for (const row of rubbish) ids.set(row[0], await put('entries', row, (await job()).id));
  });

  test('is read to the end, each entry under its own id, in one form', async () => {
    const list = await jobEntries(database.db, (await job()).id);
    expect(list).toHaveLength(before.entries.length + rubbish.length);
    for (const [name, id] of ids) {
      const entry = list.find((each) => each.id === id);
      expect([name, entry?.kind]).toEqual([name, 'unreadable']);
      expect(Number.isNaN(Date.parse(entry?.benchTime ?? ''))).toBe(false);
    }
  });
  test('leaves everything else of the job as it was', async () => {
    const state = await jobState(database.db, (await job()).id);
    expect(state.findings).toEqual(before.findings);
    expect(state.points).toEqual(before.points);
    expect(state.operations).toEqual(before.operations);
    expect([...state.unread.keys()].sort()).toEqual([...ids.values()].sort());
    expect(state.unread.get(ids.get('an unknown kind') ?? '')).toMatch(/^spell: /);
    expect(readingsToCsv(state)).toBe(readingsToCsv(before));
  });
  test('is taken out with the job and in again, and says what it was', async () => {
    const state = await jobState(database.db, (await job()).id);
    const text = JSON.stringify(toJobDocument('LL-201', state.entries, '2026-11-24T09:00:00.000Z'));
    const read = readJobDocument(JSON.parse(text));
    expect(read).toMatchObject({ ok: true });
    if (!read.ok) return;
    const renamed = read.document.entries.map((entry) =>
      entry.kind === 'intake' ? { ...entry, body: { ...entry.body, ticket: 'LL-901' } } : entry,
    );
    expect(await importJob(database.db, 'LL-901', renamed)).toBe('imported');
    const copy = await jobByTicket(database.db, 'LL-901');
    const again = await jobState(database.db, copy?.id ?? '');
    expect(again.unread.size).toBe(rubbish.length);
    expect(again.byId.get(ids.get('an unknown kind') ?? '')).toMatchObject({
      kind: 'unreadable',
      body: { kind: 'spell', was: '{"text":"abracadabra"}' },
    });
  });
  test('can be struck, one by one, and work goes on', async () => {
    for (const id of ids.values()) {
      const strike = {
        id: randomUUID(),
        kind: 'strike',
        body: { entry: id, reason: 'rotten' },
        author: 'x',
        benchTime: good,
      };
      expect(await appendEntry(database.db, 'LL-201', strike as NewEntry)).toMatchObject({ status: 'stored' });
    }
    const state = await jobState(database.db, (await job()).id);
    expect(state.unread.size).toBe(0);
    expect(state.struck.size).toBe(before.struck.size + rubbish.length);
  });
  test('nobody writes an entry of that kind', async () => {
    const entry = {
      id: randomUUID(),
      kind: 'unreadable',
      body: { kind: 'x', problem: 'x', was: '' },
      author: 'x',
      benchTime: good,
    };
    expect(await appendEntry(database.db, 'LL-201', entry as NewEntry)).toMatchObject({
      status: 'refused',
      problems: [{ path: '/kind' }],
    });
  });
});

test('a job whose intake is rotten does not take the others with it', async () => {
  const { rows } = await database.pool.query("insert into jobs (ticket) values ('LL-902') returning id");
  const id = String(rows[0].id);
  await database.pool.query(
    "insert into entries (job_id, seq, id, kind, body, author, bench_time) values ($1, 1, $2, 'intake', '{}', 'x', now())",
    [id, randomUUID()],
  );
  const state = await jobState(database.db, id);
  expect([state.intake, state.instrument, state.unread.size]).toEqual([null, null, 1]);
  expect((await jobState(database.db, (await jobByTicket(database.db, 'LL-203'))?.id ?? '')).instrument?.family).toBe(
    'flute',
  );
});

describe('rubbish in the logbook of the shop', () => {
  test('leaves the shop as it was, is told, and can be struck', async () => {
    const before = await shopState(database.db);
    const ids: string[] = [];
    for (const row of rubbish) ids.push(await put('shop_entries', row, ''));
    ids.push(await put('shop_entries', ['', 'gauge', { id: 'caliper' }, 'x', good], ''));
    ids.push(
      await put(
        'shop_entries',
        ['', 'gauge-check', { gauge: 'caliper', shows: 0 }, 'x', '0001-12-31 10:00:00+00 BC'],
        '',
      ),
    );
    const state = await shopState(database.db);
    expect({ ...state, seq: 0, unread: [] }).toEqual({ ...before, seq: 0, unread: [] });
    // A strike without a target and a note are no entries of a shop either.
    expect(state.unread.map(({ entry }) => entry)).toEqual(ids);
    for (const id of ids) {
      const strike = { id: randomUUID(), kind: 'strike' as const, body: { entry: id }, author: 'x', benchTime: good };
      expect(await appendShopEntry(database.db, strike)).toMatchObject({ status: 'stored', known: false });
    }
    expect((await shopState(database.db)).unread).toEqual([]);
  });
  test('only what is there can be struck', async () => {
    const strike = {
      id: randomUUID(),
      kind: 'strike' as const,
      body: { entry: randomUUID() },
      author: 'x',
      benchTime: good,
    };
    expect(await appendShopEntry(database.db, strike)).toMatchObject({
      status: 'refused',
      problems: [{ path: '/body/entry' }],
    });
  });
});

describe('rubbish in the logbook of the drawers', () => {
  test('leaves the drawers as they were, is told, and can be struck', async () => {
    const write = (kind: string, body: object) =>
      appendStockEntry(database.db, { id: randomUUID(), kind, body, author: 'x', benchTime: good } as NewStockEntry);
    await write('item', { id: 'pad', kind: 'pad', diameter: 16, thickness: 2.6, soldIn: 'mm', counted: 'piece' });
    await write('move', { item: 'pad', why: 'counted', count: 7 });
    const before = await stockState(database.db);
    const ids: string[] = [];
    for (const row of rubbish) ids.push(await put('stock_entries', row, ''));
    ids.push(await put('stock_entries', ['', 'move', { item: 'pad', why: 'taken', count: 'all' }, 'x', good], ''));
    ids.push(await put('stock_entries', ['', 'used-by', { ticket: 'LL-201', used: [{ item: 'pad' }] }, 'x', good], ''));
    const state = await stockState(database.db);
    expect({ ...state, seq: 0, unread: [] }).toEqual({ ...before, seq: 0, unread: [] });
    expect(state.unread.map(({ entry }) => entry)).toEqual(ids);
    for (const entry of ids) expect(await write('strike', { entry })).toMatchObject({ status: 'stored', known: false });
    expect((await stockState(database.db)).unread).toEqual([]);
  });
});

test('a kept type that is rotten is passed over', async () => {
  await database.pool.query(
    "insert into instrument_types (id, document, author) values ('rotten', '{}', 'x'), ('none', 'null', 'x')",
  );
  expect((await keptTypes(database.db)).map(({ id }) => id)).not.toContain('rotten');
});

describe('what the database itself refuses', () => {
  test.each(['0001-12-31 10:00:00+00 BC', '1899-12-30 00:00:00+00', '2101-01-03 00:00:00+00', 'infinity'])(
    '%s',
    async (time) => {
      const other = await testDatabase();
      try {
        const row = ['', 'note', { text: 'x' }, 'x', time] as (typeof rubbish)[number];
        const [, kind, body, author] = row;
        await expect(
          other.pool.query(
            'insert into shop_entries (seq, id, kind, body, author, bench_time) values (1, $1, $2, $3, $4, $5)',
            [randomUUID(), kind, JSON.stringify(body), author, time],
          ),
        ).rejects.toMatchObject({ code: '23514' });
      } finally {
        await other.drop();
      }
    },
  );
});
