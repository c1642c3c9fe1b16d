import { expect, test } from '@jest/globals';
import type { NewEntry } from '@holotonos/core';
import { appendEntry, openJob } from '@holotonos/store';
import { entryOf, intakeOf } from '../../store/tests/entries';
import { GET as card } from '../src/app/api/v1/jobs/[ticket]/check-up.pdf/route';
import { GET as calendar } from '../src/app/api/v1/jobs/[ticket]/check-up.ics/route';
import { loadCheckUps, toRemind } from '../src/server/checkUps';
import { webDatabase } from './demo';

const now = '2026-11-25T10:00:00.000Z';
const write = async (ticket: string, kind: NewEntry['kind'], body: object) => {
  const entry = entryOf(kind, body);
  expect(await appendEntry(place.database.db, ticket, entry)).toMatchObject({ status: 'stored' });
  return entry.id;
};
async function signed(ticket: string, checkUp: string | undefined, more: object = {}) {
  expect(await openJob(place.database.db, intakeOf(ticket, more))).toMatchObject({ status: 'stored' });
  return write(ticket, 'sign-off', { ownerCautions: ['Wipe it dry.'], ...(checkUp && { checkUp }) });
}
const place = webDatabase({ demo: false });
const listed = async () =>
  (await loadCheckUps(now)).map(({ ticket, standing, reminded }) => [ticket, standing, reminded?.by ?? null]);
const at = (ticket: string) => ({ params: Promise.resolve({ ticket }) });

test('stand in the order of their days; who is reminded is asked no more; what was struck was not agreed', async () => {
  await signed('C-3', '2027-06-01');
  await signed('C-2', '2026-12-20', { serial: 'N 12' });
  await signed('C-1', '2026-11-24');
  await signed('C-0', undefined);
  await signed('C-9', '2029-01-01');
  expect(await listed()).toEqual([
    ['C-1', 'over', null],
    ['C-2', 'soon', null],
    ['C-3', 'later', null],
  ]);
  expect(toRemind(await loadCheckUps(now))).toBe(2);
  const reminder = await write('C-1', 'reminder', { by: 'call' });
  expect((await listed())[0]).toEqual(['C-1', 'over', 'call']);
  expect(toRemind(await loadCheckUps(now))).toBe(1);
  await write('C-1', 'strike', { entry: reminder, reason: 'another owner' });
  expect((await listed())[0]).toEqual(['C-1', 'over', null]);
});

test('an instrument that has come back, or was never signed after all, is off the list', async () => {
  expect(await openJob(place.database.db, intakeOf('C-4', { serial: 'n12' }))).toMatchObject({ status: 'stored' });
  expect((await listed()).map(([ticket]) => ticket)).toEqual(['C-1', 'C-3']);
  const again = await signed('C-5', '2026-12-01');
  await write('C-5', 'strike', { entry: again, reason: 'not yet' });
  expect((await listed()).map(([ticket]) => ticket)).toEqual(['C-1', 'C-3']);
});

test('the card is a PDF of one page, the calendar entry a whole day; without a day there is neither', async () => {
  const pdf = await card(new Request('http://127.0.0.1/'), at('C-1'));
  expect([pdf.status, pdf.headers.get('content-type')]).toEqual([200, 'application/pdf']);
  const bytes = Buffer.from(await pdf.arrayBuffer()).toString('latin1');
  expect(bytes.startsWith('%PDF')).toBe(true);
  expect(bytes.match(/\/Type \/Page\b/g)).toHaveLength(1);
  const ics = await (await calendar(new Request('http://127.0.0.1/'), at('C-1'))).text();
  expect(ics).toMatch(/DTSTART;VALUE=DATE:20261124\r?\n/);
  expect(ics).toMatch(/DTEND;VALUE=DATE:20261125\r?\n/);
  expect(ics).toContain('UID:C-1.check-up@holotonos');
  for (const ticket of ['C-0', 'C-4', 'C-99']) {
    expect((await card(new Request('http://127.0.0.1/'), at(ticket))).status).toBe(404);
    expect((await calendar(new Request('http://127.0.0.1/'), at(ticket))).status).toBe(404);
  }
});

test('four hundred days ahead are listed, and no more', async () => {
  await signed('C-7', '2027-12-30');
  await signed('C-8', '2027-12-31');
  const far = (await listed()).map(([ticket]) => ticket);
  expect([far.includes('C-7'), far.includes('C-8')]).toEqual([true, false]);
});
