import { afterAll, beforeAll, expect, test } from '@jest/globals';
import type { NewEntry } from '@holotonos/core';
import { appendEntry, openJob, ticketsOfSerial } from '@holotonos/store';
import { testDatabase, type TestDatabase } from '../../store/tests/database';
import { entryOf, intakeOf } from '../../store/tests/entries';
import { earlierVisits } from '../src/server/earlierVisits';

const now = '2026-11-29T12:00:00.000Z';
let database: TestDatabase;
beforeAll(async () => {
  database = await testDatabase();
  process.env['DATABASE_URL'] = database.webUrl;
});
afterAll(() => database.drop());

async function open(ticket: string, benchTime: string, more: object) {
  const opened = await openJob(database.db, { ...intakeOf(ticket, more), benchTime });
  expect(opened).toMatchObject({ status: 'stored' });
}
const write = async (ticket: string, kind: NewEntry['kind'], body: object) =>
  expect(await appendEntry(database.db, ticket, entryOf(kind, body))).toMatchObject({ status: 'stored' });
const reading = (value: number) => ({
  point: { group: 'pad', part: 'e', measure: 'gap', clock: 0 },
  value,
  typed: String(value),
  gauge: { id: 'feeler-film', name: 'Feeler film set', resolution: 0.01, maxPermissibleError: 0.004 },
});

test('a ticket opens with what the shop knows of the instrument from earlier, newest first', async () => {
  await open('A-1', '2024-03-01T09:00:00.000Z', { serial: 'N 12-345', maker: 'Hallam & Wray' });
  await write('A-1', 'reading', reading(0.02));
  await write('A-1', 'sign-off', { ownerCautions: [], summary: 'Padded anew.' });
  await open('A-2', '2025-03-01T09:00:00.000Z', { serial: 'n12345' });
  await open('B-1', '2025-05-01T09:00:00.000Z', { serial: 'N12345', maker: 'Corvane' });
  await open('A-3', '2026-11-01T09:00:00.000Z', { serial: 'N12345', maker: 'Hallam & Wray' });
  await write('A-3', 'reading', reading(0.2));
  const visits = await earlierVisits('A-3', now);
  expect(visits.map(({ ticket }) => ticket)).toEqual(['A-2', 'A-1']);
  expect(visits[1]).toMatchObject({
    summary: 'Padded anew.',
    since: [{ part: 'e', then: { value: 0.02 }, now: { value: 0.2 }, certain: true }],
  });
  // What comes later is no earlier visit, and who has no serial has none.
  expect(await earlierVisits('A-1', now)).toEqual([]);
  await open('C-1', '2026-11-02T09:00:00.000Z', { serial: ' - ' });
  await open('C-2', '2026-11-03T09:00:00.000Z', {});
  for (const ticket of ['C-1', 'C-2', 'nowhere']) expect(await earlierVisits(ticket, now)).toEqual([]);
});

test('without a serial it is known again by whoever has it in hand, with the pictures of that time, until it is not', async () => {
  await open('D-1', '2025-06-01T09:00:00.000Z', {});
  const photo = '00000000-0000-4000-8000-0000000000aa';
  await write('D-1', 'photo', { photo, width: 800, height: 600, caption: 'the engraving' });
  await open('D-2', '2026-06-01T09:00:00.000Z', { maker: 'Corvane' });
  expect(await earlierVisits('D-2', now)).toEqual([]);
  await write('D-2', 'same-instrument', { ticket: 'D-1', was: true });
  await write('D-2', 'same-instrument', { ticket: 'NOWHERE', was: true });
  expect(await earlierVisits('D-2', now)).toMatchObject([
    { ticket: 'D-1', photos: [{ photo, caption: 'the engraving' }] },
  ]);
  await write('D-2', 'same-instrument', { ticket: 'D-1', was: false });
  expect(await earlierVisits('D-2', now)).toEqual([]);
  const itself = await appendEntry(database.db, 'D-2', entryOf('same-instrument', { ticket: 'D-2', was: true }));
  expect(itself).toMatchObject({ status: 'refused', problems: [{ path: '/body/ticket' }] });
});

test('serials are looked up by an index, however many tickets there are', async () => {
  const client = await database.pool.connect();
  // A small table would rather be read whole.
  await client.query('set enable_seqscan = off');
  const { rows } = await client.query(
    `explain select 1 from entries
     where kind = 'intake' and regexp_replace(lower(body->>'serial'), '[^[:alnum:]]', '', 'g') = 'n12345'`,
  );
  client.release(true);
  expect(JSON.stringify(rows)).toContain('entries_serial');
  expect(await ticketsOfSerial(database.db, 'N.12345', 'A-3')).toEqual(expect.arrayContaining(['A-1', 'A-2', 'B-1']));
});
