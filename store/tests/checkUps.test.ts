import { afterAll, beforeAll, expect, test } from '@jest/globals';
import type { NewEntry } from '@holotonos/core';
import { appendEntry, checkUps, openJob } from '../src';
import { testDatabase, type TestDatabase } from './database';
import { entryOf, intakeOf, now } from './entries';

let place: TestDatabase;
beforeAll(async () => {
  place = await testDatabase();
});
afterAll(() => place.drop());

const write = async (ticket: string, kind: NewEntry['kind'], body: object) =>
  expect(await appendEntry(place.db, ticket, entryOf(kind, body))).toMatchObject({ status: 'stored' });
async function signed(ticket: string, checkUp: string, more: object = {}) {
  expect(await openJob(place.db, intakeOf(ticket, more))).toMatchObject({ status: 'stored' });
  await write(ticket, 'sign-off', { ownerCautions: ['Wipe it dry.'], checkUp });
}

test('a check-up names the instrument, whose it is, who signed and who reminded', async () => {
  await signed('C-1', '2027-03-01', { owner: 'The bargees’ choir', maker: 'Reed & Weir', made: 'about 1921' });
  await signed('C-2', '2027-02-01');
  const common = { signedBy: 'Juno Tam', signedAt: now, instrument: 'Alto saxophone', reminded: null };
  const second = { ticket: 'C-2', day: '2027-02-01', owner: 'The band', maker: '', made: '', ...common };
  const first = {
    ticket: 'C-1',
    day: '2027-03-01',
    owner: 'The bargees’ choir',
    maker: 'Reed & Weir',
    made: 'about 1921',
    ...common,
  };
  expect(await checkUps(place.db, '2027-12-31', 10)).toEqual([second, first]);
  await write('C-1', 'reminder', { by: 'call' });
  const reminded = { at: now, by: 'call' };
  expect(await checkUps(place.db, '2027-12-31', 10)).toEqual([second, { ...first, reminded }]);
});

test('those up to a day are listed, and so many of them', async () => {
  expect((await checkUps(place.db, '2027-02-28', 10)).map(({ ticket }) => ticket)).toEqual(['C-2']);
  expect((await checkUps(place.db, '2027-03-01', 10)).map(({ ticket }) => ticket)).toEqual(['C-2', 'C-1']);
  expect((await checkUps(place.db, '2027-12-31', 1)).map(({ ticket }) => ticket)).toEqual(['C-2']);
});
