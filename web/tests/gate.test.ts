import { afterAll, beforeAll, describe, expect, jest, test } from '@jest/globals';
import { addressHeader, loadDemoKeys, makeKey } from '@holotonos/store';
import type { IncomingHttpHeaders, IncomingMessage, ServerResponse } from 'node:http';
import { testDatabase, type TestDatabase } from '../../store/tests/database';
import { openGate, type Stop } from '../src/server/gate';
import { askerHeader, keepingHeader, tokenCookie } from '../src/server/gateHeaders';

/** Knocks as a browser does: what stops it, what it is given, and what the request carries on with. */
async function knock(
  door: ReturnType<typeof openGate>,
  url: string,
  { method = 'GET', headers = {} as IncomingHttpHeaders, from = '127.0.0.1' } = {},
) {
  const given: string[] = [];
  const request = { method, url, headers: { ...headers }, socket: { remoteAddress: from } };
  const response = { appendHeader: (_: string, value: string) => given.push(value) };
  const stop = await door.gate(request as unknown as IncomingMessage, response as unknown as ServerResponse);
  return { stop, given, carries: request.headers as Record<string, string | undefined> };
}
const statusOf = (stop: Stop | null) =>
  stop !== null && typeof stop === 'object' && 'status' in stop ? stop.status : null;

const opened: TestDatabase[] = [];
async function openDoor(keys: (db: TestDatabase['db']) => Promise<unknown> = () => Promise.resolve()) {
  const database = await testDatabase();
  opened.push(database);
  await keys(database.db);
  return openGate({ databaseUrl: database.webUrl, beyond: false });
}
let quiet: ReturnType<typeof jest.spyOn>;
beforeAll(() => {
  quiet = jest.spyOn(console, 'error').mockImplementation(() => undefined);
});
afterAll(async () => {
  quiet.mockRestore();
  for (const database of opened) await database.drop();
});

describe('a shop without keys', () => {
  let open: ReturnType<typeof openGate>;
  beforeAll(async () => {
    open = await openDoor();
  });
  test('lets everybody on, and says so; what only the door says cannot be said by a client', async () => {
    const forged = { [askerHeader]: 'forged', [keepingHeader]: 'forged', [addressHeader]: 'forged' };
    const { stop, given, carries } = await knock(open, '/jobs/LL-201?x=1', { headers: forged });
    expect([stop, given]).toEqual([null, []]);
    expect([carries[askerHeader], carries[keepingHeader], carries[addressHeader]]).toEqual([
      undefined,
      'open',
      '127.0.0.1',
    ]);
  });
  test('what asks for nothing is not asked how the shop is kept; the page to sign in at is', async () => {
    expect((await knock(open, '/api/health')).carries[keepingHeader]).toBeUndefined();
    expect((await knock(open, '/sign-in')).carries[keepingHeader]).toBe('open');
  });
  test('links of owners are tried no faster than there are links', async () => {
    const from = '10.0.0.9';
    const at = (ticket: number) => knock(open, `/owner/LL-${ticket}/x`, { from });
    for (let tried = 0; tried < 240; tried += 60)
      expect((await Promise.all(Array.from({ length: 60 }, (_, i) => at(tried + i)))).map(({ stop }) => stop)).toEqual(
        Array.from({ length: 60 }, () => null),
      );
    const { stop } = await at(241);
    expect(stop).toMatchObject({ status: 429, body: { error: 'too-often' } });
    const wait = stop && typeof stop === 'object' && 'retryAfter' in stop ? (stop.retryAfter ?? 0) : 0;
    expect(wait).toBeGreaterThan(0);
    expect(wait).toBeLessThanOrEqual(60);
    // Others are not made to wait, and pages of the shop are not counted.
    expect((await knock(open, '/owner/LL-1/x', { from: '10.0.0.10' })).stop).toBeNull();
    expect((await knock(open, '/jobs/LL-201', { from })).stop).toBeNull();
  });
});

describe('a shop with keys', () => {
  let shut: ReturnType<typeof openGate>;
  beforeAll(async () => {
    shut = await openDoor((db) => makeKey(db, { name: 'Juno Tam', role: 'technician', pin: '471108' }));
  });
  test('sends a page to where one signs in, and refuses the rest in words', async () => {
    expect((await knock(shut, '/jobs/LL-201?part=e')).stop).toEqual({
      location: '/sign-in?back=%2Fjobs%2FLL-201%3Fpart%3De',
    });
    expect((await knock(shut, '/api/v1/jobs/LL-201')).stop).toMatchObject({ status: 401, body: { error: 'sign-in' } });
    expect((await knock(shut, '/sign-in')).stop).toBeNull();
    expect(statusOf((await knock(shut, '/api/auth/no-such-thing')).stop)).toBe(404);
  });
  test('gives a browser once what its pages have to say back; not what only fetches', async () => {
    const { given } = await knock(shut, '/jobs/LL-201');
    expect(given).toHaveLength(1);
    const cookie = given[0]?.split(';')[0] ?? '';
    expect(cookie).toMatch(new RegExp(`^${tokenCookie.replace('.', '\\.')}=[\\w-]{32}$`));
    expect(given[0]).toMatch(/SameSite=Strict/);
    expect((await knock(shut, '/jobs/LL-201', { headers: { cookie } })).given).toEqual([]);
    expect((await knock(shut, '/jobs/LL-201', { headers: { cookie: `${cookie}x` } })).given).toHaveLength(1);
    expect((await knock(shut, '/api/v1/jobs/LL-201')).given).toEqual([]);
    expect((await knock(shut, '/jobs/LL-201', { method: 'POST' })).given).toEqual([]);
  });
});

test('the demo with keys shows itself to everybody, and takes from nobody without one', async () => {
  const shown = await openDoor(loadDemoKeys);
  const { stop, carries } = await knock(shown, '/jobs/LL-201');
  expect([stop, carries[keepingHeader]]).toEqual([null, 'shown']);
  expect(statusOf((await knock(shown, '/api/v1/jobs/LL-201/entries', { method: 'POST' })).stop)).toBe(401);
});

test('with the database away it says so, and lets nobody on', async () => {
  const gone = openGate({ databaseUrl: 'postgresql://nobody@127.0.0.1:1/none', beyond: false });
  expect((await knock(gone, '/jobs/LL-201')).stop).toMatchObject({ status: 503, retryAfter: 5 });
  expect(quiet).toHaveBeenCalledWith(expect.stringMatching(/^At the door: /));
});
