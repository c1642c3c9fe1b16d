import { afterAll, beforeAll, expect, jest, test } from '@jest/globals';
import { chanceFrom } from '@holotonos/core';
import type { ChildProcess } from 'node:child_process';
import { demoBesides, type DemoBesides } from '../../store/tests/copies';
import { ask, badRequest, routes } from '../tests/badRequests';
import { startServer } from './app';

jest.setTimeout(600_000);

const count = 1000;
/** On a busy machine; bench/bad-requests.mjs holds them to five seconds on a quiet one. */
const patienceMs = 30_000;
let database: DemoBesides;
let server: { address: string; process: ChildProcess };
beforeAll(async () => {
  database = await demoBesides();
  server = await startServer(database.webUrl);
});
afterAll(async () => {
  server.process.kill();
  await database.drop();
});
const rows = async () =>
  (
    await database.pool.query(
      'select (select count(*) from entries)::int as entries, (select count(*) from jobs)::int as jobs',
    )
  ).rows[0];

test('every route is attacked', () => {
  expect(routes.length).toBeGreaterThan(30);
  expect(routes.filter(({ methods }) => methods.length === 0)).toEqual([]);
});

test(`${count} bad requests: each is answered in words, none by a fault, nothing is stored in part`, async () => {
  const chance = chanceFrom(20261125);
  const before = await rows();
  const wrong: string[] = [];
  const refused: string[] = [];
  const taken: string[] = [];
  for (let n = 0; n < count; n += 1) {
    const bad = badRequest(chance);
    const { status, text, ms } = await ask(server.address, bad, patienceMs);
    if (status >= 500 || status === 0)
      wrong.push(
        `${status} ${Math.round(ms)} ms ${bad.method} ${bad.path.slice(0, 100)} ${String(bad.body ?? '').slice(0, 300)} → ${text.slice(0, 200)}`,
      );
    if (bad.id) (status >= 400 ? refused : taken).push(bad.id);
  }
  expect(wrong).toEqual([]);
  expect(refused.length).toBeGreaterThan(40);
  const { rows: stored } = await database.pool.query(
    'select id from entries where id = any($1) union select id from shop_entries where id = any($1) union select id from stock_entries where id = any($1)',
    [refused],
  );
  expect(stored).toEqual([]);
  const after = await rows();
  expect(after.entries - before.entries).toBeLessThanOrEqual(taken.length);
});

test('after all that the shop works on: every ticket, the bench and the week are there', async () => {
  for (const path of [
    '/',
    '/week',
    '/jobs/LL-201',
    '/jobs/LL-201/record',
    '/shop',
    '/stock',
    '/jobs/LL-203/pads',
    '/api/v1/calendar.ics',
    '/api/v1/jobs/LL-201/export',
  ]) {
    const response = await fetch(`${server.address}${path}`);
    expect([path, response.status]).toEqual([path, 200]);
  }
});
