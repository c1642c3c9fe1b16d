import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { searchGroups, type NewEntry } from '@holotonos/core';
import { randomUUID } from 'node:crypto';
import { appendEntry, findEntries, howTicketsRead, listTickets, openJob, ticketsOfSerial } from '../src';
import { testDatabase, type TestDatabase } from './database';
import { entryOf, intakeOf } from './entries';

let place: TestDatabase;
let db: TestDatabase['db'];
const write = async (ticket: string, kind: NewEntry['kind'], body: object) => {
  const entry = entryOf(kind, body);
  expect(await appendEntry(db, ticket, entry)).toMatchObject({ status: 'stored' });
  return entry.id;
};
const finding = (kind: string, part: string, more: object = {}) => ({
  ...{ finding: randomUUID(), kind, part, severity: 2, status: 'confirmed' },
  ...more,
});
beforeAll(async () => {
  place = await testDatabase();
  ({ db } = place);
  for (const [ticket, serial] of [
    ['S-1', 'N 12-345'],
    ['S-2', ''],
  ] as const) {
    expect(await openJob(db, intakeOf(ticket, serial ? { serial } : {}))).toMatchObject({ status: 'stored' });
  }
});
afterAll(() => place.drop());

const found = async (text: string, group?: keyof typeof searchGroups, limit = 20) =>
  (await findEntries(db, { text, group, limit })).found.map(({ ticket, entry }) => `${ticket} ${entry.kind}`);

test('what was said is found by the beginnings of its words, wherever it stands, newest first', async () => {
  await write('S-1', 'note', { text: 'The cork of the bell key squeaks when it is cold.' });
  await write('S-2', 'finding', finding('noise', 'low-b-flat', { note: 'squeaking in the cold' }));
  await write('S-2', 'decision', { question: 'Renew corks?', choice: 'No', reason: 'they squeak, but hold' });
  expect(await found('squeak')).toEqual(['S-2 decision', 'S-2 finding', 'S-1 note']);
  expect(await found('COLD squeak')).toEqual(['S-2 finding', 'S-1 note']);
  expect(await found('squeak', 'decisions')).toEqual(['S-2 decision']);
  // One letter is the name of a note, and no beginning.
  expect(await found('s')).toEqual([]);
  expect(await found('squeak nowhere')).toEqual([]);
  expect(await found(' ')).toEqual([]);
});

test('faults are found by the name people give them, parts by their notes', async () => {
  await write('S-1', 'finding', finding('rim-warped', 'low-b-flat'));
  await write('S-1', 'finding', finding('rim-warped', 'e'));
  expect(await found('rim not flat')).toHaveLength(2);
  expect(await found('Rim not flat: Low B♭')).toEqual(['S-1 finding']);
  expect(await found('low B♭', 'findings')).toHaveLength(2);
});

test('of a finding the newest word is found, and what was struck is not', async () => {
  const body = finding('dent', 'bell', { note: 'shaped like a walnut' });
  await write('S-1', 'finding', body);
  await write('S-1', 'finding', { ...body, note: 'walnut, raised' });
  const {
    found: [only, ...rest],
  } = await findEntries(db, { text: 'walnut', limit: 20 });
  expect(rest).toEqual([]);
  expect(only?.entry.body).toMatchObject({ note: 'walnut, raised' });
  const slip = await write('S-2', 'note', { text: 'a walnut, on the wrong ticket' });
  expect(await found('walnut')).toHaveLength(2);
  await write('S-2', 'strike', { entry: slip, reason: 'wrong ticket' });
  expect(await found('walnut')).toEqual(['S-1 finding']);
});

test('a list is bounded and says that there is more', async () => {
  for (let i = 0; i < 5; i += 1) await write('S-1', 'note', { text: `pearwood ${i}` });
  expect(await findEntries(db, { text: 'pearwood', limit: 3 })).toMatchObject({ more: true });
  expect((await findEntries(db, { text: 'pearwood', limit: 5 })).more).toBe(false);
});

test('signs that mean something to a database mean nothing here', async () => {
  for (const text of ["'); drop table entries; --", 'q & | ! ( <-> :*', '\\ \u0000 %_', '😀'])
    expect(await found(text)).toEqual([]);
});

test('words are looked up by an index that knows every kind that is searched', async () => {
  const client = await place.pool.connect();
  await client.query('set enable_seqscan = off');
  for (const { kinds } of Object.values(searchGroups)) {
    const list = kinds.map((kind) => `'${kind}'`).join(', ');
    const { rows } = await client.query(`explain select 1 from entries where kind in (${list})
      and jsonb_to_tsvector('simple'::regconfig, body, '["string"]'::jsonb) @@ to_tsquery('simple', 'walnut:*')`);
    expect(JSON.stringify(rows)).toContain('entries_words');
  }
  await client.query('reset enable_seqscan');
  client.release();
});

test('tickets are found by their serial, with and without its blanks, and their parts have names', async () => {
  for (const search of ['n 12-345', 'n12345'])
    expect((await listTickets(db, { search, limit: 5 })).lines.map(({ ticket }) => ticket)).toEqual(['S-1']);
  const reading = await howTicketsRead(db, ['S-1', 'S-1', 'S-9']);
  expect([...reading.keys()]).toEqual(['S-1']);
  expect(reading.get('S-1')?.names.get('low-b-flat')).toBe('Low B♭');
  expect(await howTicketsRead(db, [])).toEqual(new Map());
});

test('an instrument is known again by its serial, however it is written, on any other ticket', async () => {
  for (const [ticket, serial] of [
    ['S-8', 'n12345'],
    ['S-9', 'N 12-346'],
  ] as const)
    expect(await openJob(db, intakeOf(ticket, { serial }))).toMatchObject({ status: 'stored' });
  expect((await ticketsOfSerial(db, 'N 12 345', 'S-99')).sort()).toEqual(['S-1', 'S-8']);
  expect(await ticketsOfSerial(db, 'N 12 345', 'S-1')).toEqual(['S-8']);
  expect(await ticketsOfSerial(db, ' - ', 'S-99')).toEqual([]);
  // A serial that a note only mentions is no instrument's.
  await write('S-2', 'note', { text: 'n12345' });
  expect(await ticketsOfSerial(db, 'n12345', 'S-1')).toEqual(['S-8']);
});
