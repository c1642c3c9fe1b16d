import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { randomUUID } from 'node:crypto';
import { type NewStockEntry, type StockEntryBody, type StockEntryKind } from '@holotonos/core';
import {
  appendEntry,
  appendStockEntries,
  appendStockEntry,
  importJob,
  jobByTicket,
  jobEntries,
  jobState,
  openAnnouncer,
  openJob,
  orderToCsv,
  stockFromCsv,
  stockState,
  stockToCsv,
} from '../src';
import { testDatabase, type TestDatabase } from './database';
import { entryOf, intakeOf, now } from './entries';

let store: TestDatabase;
beforeAll(async () => {
  store = await testDatabase();
});
afterAll(() => store.close());

const stockEntry = <K extends StockEntryKind>(kind: K, body: StockEntryBody<K>) =>
  ({ id: randomUUID(), kind, body, author: 'Juno Tam', benchTime: now }) as NewStockEntry;
const write = async <K extends StockEntryKind>(kind: K, body: StockEntryBody<K>) => {
  const entry = stockEntry(kind, body);
  expect(await appendStockEntry(store.db, entry)).toMatchObject({ status: 'stored' });
  return entry;
};
const pad = (id: string, more: object = {}) =>
  ({ id, kind: 'pad', diameter: 31, thickness: 4, soldIn: 'mm', counted: 'piece', ...more }) as const;
const countOf = async (id: string) => (await stockState(store.db)).items.find((item) => item.id === id)?.count;

const tell = async (ticket: string, kind: Parameters<typeof entryOf>[0], body: object) => {
  const entry = entryOf(kind, body);
  expect(await appendEntry(store.db, ticket, entry)).toMatchObject({ status: 'stored' });
  return entry.id;
};
const chosen = (parts: string[], item = 'pad-a') => ({
  lines: parts.map((part) => ({ part, use: 'pad', item, thing: { kind: 'pad' }, count: 1 })),
});
const done = (takes: string[]) => ({
  operation: 'renew-pads:instrument',
  title: 'Renew every pad',
  minutes: 1,
  disturbs: [],
  cures: [],
  takes,
});

describe('the logbook of the drawers', () => {
  test('takes an entry once, refuses what does not fit, and is ink', async () => {
    const entry = await write('item', pad('pad-a'));
    expect(await appendStockEntry(store.db, entry)).toMatchObject({ status: 'stored', known: true });
    expect(await appendStockEntry(store.db, { ...entry, body: pad('pad-a', { low: 3 }) } as NewStockEntry)).toEqual({
      status: 'conflict',
    });
    const strange = stockEntry('move', { item: 'nothing', why: 'taken', count: 1 });
    expect(await appendStockEntry(store.db, strange)).toMatchObject({ status: 'refused' });
    await expect(store.db.execute('delete from stock_entries')).rejects.toThrow();
    await expect(store.db.execute("update stock_entries set author = 'y'")).rejects.toThrow();
    await expect(store.db.execute('truncate stock_entries')).rejects.toThrow();
  });
  test('twenty writers at once leave no gap and lose nothing', async () => {
    await write('move', { item: 'pad-a', why: 'counted', count: 100 });
    const all = Array.from({ length: 20 }, () => stockEntry('move', { item: 'pad-a', why: 'taken', count: 1 }));
    await Promise.all(all.map((entry) => appendStockEntry(store.db, entry)));
    expect(await countOf('pad-a')).toBe(80);
    const { rows } = await store.pool.query('select count(*)::int as n, max(seq) as last from stock_entries');
    expect(rows[0]?.n).toBe(rows[0]?.last);
  });
  test('tells of itself, as the logbooks of jobs do', async () => {
    const heard: string[] = [];
    const stop = await openAnnouncer(store.url).listen(
      null,
      (written) => heard.push(written),
      () => undefined,
    );
    await write('move', { item: 'pad-a', why: 'counted', count: 40 });
    for (let tries = 0; heard.length === 0 && tries < 100; tries += 1) await new Promise((on) => setTimeout(on, 20));
    stop();
    expect(heard).toEqual(['stock']);
  });
  test('what a job uses is not written by hand', async () => {
    expect(await appendStockEntry(store.db, stockEntry('used-by', { ticket: 'S-1', used: [] }))).toMatchObject({
      status: 'refused',
      problems: [{ path: '/kind' }],
    });
  });
});

describe('a step that is done takes out of the drawers what it puts in', () => {
  test('in one act with its entry; struck, it puts back; sent again it takes nothing', async () => {
    await openJob(store.db, intakeOf('S-1'));
    await write('move', { item: 'pad-a', why: 'counted', count: 10 });
    await tell('S-1', 'chosen', chosen(['e', 'f', 'd']));
    expect(await countOf('pad-a')).toBe(10);
    const entry = entryOf('operation-done', done(['pad:e', 'pad:f']));
    await appendEntry(store.db, 'S-1', entry);
    expect(await countOf('pad-a')).toBe(8);
    await appendEntry(store.db, 'S-1', entry);
    expect(await countOf('pad-a')).toBe(8);
    await tell('S-1', 'note', { text: 'Nothing to do with pads.' });
    expect(await countOf('pad-a')).toBe(8);
    await tell('S-1', 'strike', { entry: entry.id });
    expect(await countOf('pad-a')).toBe(10);
  });
  test('two jobs at once each take their own', async () => {
    for (const ticket of ['S-2', 'S-3']) {
      await openJob(store.db, intakeOf(ticket));
      await tell(ticket, 'chosen', chosen(['e', 'f', 'd', 'g']));
    }
    await write('move', { item: 'pad-a', why: 'counted', count: 20 });
    await Promise.all(
      ['S-2', 'S-3'].flatMap((ticket) =>
        ['e', 'f', 'd', 'g'].map((hole) =>
          appendEntry(store.db, ticket, entryOf('operation-done', done([`pad:${hole}`]))),
        ),
      ),
    );
    expect(await countOf('pad-a')).toBe(12);
  });
  test('an entry the drawers could not hear of is not written either', async () => {
    await openJob(store.db, intakeOf('S-4'));
    await tell('S-4', 'chosen', chosen(['e']));
    await store.pool.query("alter table stock_entries add constraint broken check (kind <> 'used-by') not valid");
    await expect(appendEntry(store.db, 'S-4', entryOf('operation-done', done(['pad:e'])))).rejects.toThrow();
    await store.pool.query('alter table stock_entries drop constraint broken');
    const job = await jobByTicket(store.db, 'S-4');
    expect((await jobState(store.db, job?.id ?? '')).operations.size).toBe(0);
  });
  test('a job that is brought in whole takes nothing, and what is done in it later takes only what is new', async () => {
    await write('move', { item: 'pad-a', why: 'counted', count: 30 });
    const job = await jobByTicket(store.db, 'S-2');
    const entries = await jobEntries(store.db, job?.id ?? '');
    expect(await importJob(store.db, 'S-9', entries)).toBe('imported');
    expect(await countOf('pad-a')).toBe(30);
    await tell('S-9', 'chosen', chosen(['a']));
    await tell('S-9', 'operation-done', done(['pad:a']));
    expect(await countOf('pad-a')).toBe(29);
    expect((await jobEntries(store.db, job?.id ?? '')).length).toBe(entries.length);
  });
});

describe('the drawers as a file', () => {
  let made = 0;
  const defaults = { author: 'Juno Tam', now, mintId: () => randomUUID() };
  const readBack = async (text: string) => stockFromCsv(text, await stockState(store.db), 'EUR', defaults);
  const bringIn = async (text: string) => {
    const read = await readBack(text);
    if (!read.ok) return read.problems.map(({ path, message }) => `${path}: ${message}`);
    made = read.entries.length;
    return (await appendStockEntries(store.db, read.entries)).map(
      ({ index, message }) => `line ${read.lines[index]}: ${message}`,
    );
  };
  test('what goes out comes in as nothing new', async () => {
    await write('item', pad('pad-c', { price: 245, low: 4, name: '=SUM(A1)', hole: 6 }));
    await write('item', {
      id: 'glue',
      kind: 'adhesive',
      name: 'Shellac',
      soldIn: 'mm',
      counted: 'gram',
      useBy: '2027-05-01',
    });
    const text = stockToCsv(await stockState(store.db), 'EUR');
    expect(text).toMatch(/"?'=SUM\(A1\)"?/);
    expect(text).toMatch(/,2\.45,/);
    expect(await bringIn(text)).toEqual([]);
    expect(made).toBe(0);
  });
  test('what is new or counted otherwise is taken, with semicolons and commas as with commas and points', async () => {
    const text = 'kind;diameter (mm);thickness (mm);count;price (EUR)\r\npad;17,5;3,2;12;1,80\r\npad;18;3.2;4;\r\n';
    expect(await bringIn(text)).toEqual([]);
    const { items } = await stockState(store.db);
    expect(items.find(({ diameter }) => diameter === 17.5)).toMatchObject({ thickness: 3.2, count: 12, price: 180 });
    expect(items.find(({ diameter }) => diameter === 18)).toMatchObject({ thickness: 3.2, count: 4 });
    expect(new Set(items.map(({ id }) => id)).size).toBe(items.length);
  });
  test('one bad row, and nothing is taken; every fault is named by line and column', async () => {
    const before = await stockState(store.db);
    expect(await bringIn('kind,diameter (mm),thickness (mm)\r\npad,9,2\r\nhat,1,1\r\npad,x,2\r\n')).toEqual([
      expect.stringMatching(/^line 3, column “kind”: “hat” is none of/),
      'line 4, column “diameter (mm)”: “x” is not a figure',
    ]);
    expect(await bringIn('kind,diameter (mm)\r\npad,9\r\n')).toEqual([
      'line 2: thickness is what tells a pad from another',
    ]);
    expect(await bringIn('a,b\r\n1,2\r\n')).toEqual(['line 1: the column “kind” is missing']);
    expect(await bringIn('id,kind,name\r\nx,other,A\r\nx,other,B\r\n')).toEqual([
      'line 3, column “id”: “x” stands in the file twice',
    ]);
    expect((await stockState(store.db)).seq).toBe(before.seq);
  });
  test('an order goes out as it is read', () => {
    const text = orderToCsv([{ item: pad('pad-a', { soldIn: 'in' }), count: 12 }]);
    expect(text.split('\r\n')[1]).toBe('pad-a,pad,Pad 1.2205 in × 0.1575 in,12,piece');
  });
});
