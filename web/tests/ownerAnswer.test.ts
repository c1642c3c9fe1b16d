import { beforeAll, beforeEach, expect, test } from '@jest/globals';
import type { NewEntry } from '@holotonos/core';
import { appendEntry, jobByTicket, jobEntries, openJob } from '@holotonos/store';
import { randomUUID } from 'node:crypto';
import { entryOf, intakeOf } from '../../store/tests/entries';
import { POST as answerOf } from '../src/app/api/v1/owner/[ticket]/[token]/answer/route';
import { hashOfToken } from '../src/server/ownerPage';
import { webDatabase } from './demo';

const place = webDatabase({ demo: false });
const token = 'a'.repeat(43);
const ticket = 'O-1';
const write = async (kind: NewEntry['kind'], body: object) => {
  const entry = entryOf(kind, body);
  const done = await appendEntry(place.database.db, ticket, entry);
  expect([done.status, 'problems' in done ? done.problems : []]).toEqual(['stored', []]);
  return entry.id;
};
const offer = async () => {
  const estimate = randomUUID();
  await write('estimate', {
    estimate,
    title: 'Only what is needed',
    practice: 'steady',
    scope: 'repair',
    currency: 'EUR',
    taxPercent: 0,
    lines: [{ kind: 'labour', what: 'Seat the pad', amount: { low: 3000, likely: 4000, high: 5000 } }],
    minutes: { low: 20, likely: 40, high: 60 },
    total: { low: 3000, likely: 4000, high: 5000 },
    operations: ['seat-pad:e'],
    leaves: [],
  });
  return estimate;
};
const send = async (body: unknown, { by = token, of = ticket } = {}) => {
  const request = new Request(`http://127.0.0.1/api/v1/owner/${of}/${by}/answer`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(body),
  });
  const answer = await answerOf(request, { params: Promise.resolve({ ticket: of, token: by }) });
  return { status: answer.status, body: (await answer.json()) as Record<string, unknown> };
};
const agreed = async () => {
  const job = await jobByTicket(place.database.db, ticket);
  const entries = await jobEntries(place.database.db, job?.id ?? '');
  return entries.filter(({ kind }) => kind === 'agreement').map(({ body, author }) => ({ ...body, author }));
};

let estimate = '';
beforeAll(async () => {
  expect(await openJob(place.database.db, intakeOf(ticket))).toMatchObject({ status: 'stored' });
  await write('owner-link', { link: randomUUID(), tokenHash: hashOfToken(token), until: '2099-12-31', photos: [] });
});
beforeEach(async () => {
  estimate = await offer();
});
const yes = () => ({ id: randomUUID(), estimate, answer: 'accepted', by: ' Merrow Quayside ' });

test('an owner says yes or no by name, once; sent again it is the same answer, another is refused', async () => {
  const own = { ...yes(), note: ' Before the fair, please. ' };
  expect(await send(own)).toEqual({ status: 201, body: { answer: 'accepted' } });
  expect((await send(own)).status).toBe(200);
  expect(await send({ ...yes(), answer: 'refused' })).toMatchObject({ status: 409 });
  const [said, ...more] = (await agreed()).filter((each) => 'estimate' in each && each.estimate === estimate);
  expect(more).toEqual([]);
  expect(said).toMatchObject({ answer: 'accepted', by: 'Merrow Quayside', note: 'Before the fair, please.' });
  expect(said).toHaveProperty('on', expect.stringMatching(/^\d{4}-\d\d-\d\d$/));
});

test('said without a word, it says where it was said', async () => {
  expect((await send({ ...yes(), answer: 'refused', note: '  ' })).status).toBe(201);
  expect((await agreed()).at(-1)).toMatchObject({ answer: 'refused', note: 'On the owner’s page' });
});

test.each<[string, object]>([
  ['/answer', { answer: 'perhaps' }],
  ['/answer', { answer: undefined }],
  ['/by', { by: '   ' }],
  ['/by', { by: 7 }],
  ['/by', { by: 'x'.repeat(81) }],
  ['/by', { by: 'Mer\u0000row' }],
  ['/note', { note: 7 }],
])('what cannot be taken is named, and nothing is written: %s %j', async (path, change) => {
  const before = (await agreed()).length;
  expect(await send({ ...yes(), ...change })).toMatchObject({ status: 400, body: { problems: [{ path }] } });
  expect(await agreed()).toHaveLength(before);
});
test('a name of eighty letters is a name', async () => {
  expect((await send({ ...yes(), by: 'x'.repeat(80) })).status).toBe(201);
});

test('a link that opens nothing, an estimate that is none, and a job that is signed off take no answer', async () => {
  expect((await send(yes(), { by: 'b'.repeat(43) })).status).toBe(404);
  expect((await send(yes(), { by: 'short' })).status).toBe(404);
  expect((await send(yes(), { of: 'O-9' })).status).toBe(404);
  expect((await send({ ...yes(), estimate: randomUUID() })).status).toBe(404);
  expect((await send({ ...yes(), estimate: 5 })).status).toBe(404);
  await write('sign-off', { ownerCautions: ['Wipe it dry.'] });
  expect(await send(yes())).toMatchObject({ status: 409, body: { message: expect.stringMatching(/signed off/) } });
});
