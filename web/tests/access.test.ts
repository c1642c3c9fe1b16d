import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { routeNeeds, routeRules, type Asker } from '@holotonos/core';
import { randomUUID } from 'node:crypto';
import { readdirSync, readFileSync } from 'node:fs';
import { join, resolve, sep } from 'node:path';
import { appendEntry, jobByTicket, jobEntries } from '@holotonos/store';
import { demoDatabase, type TestDatabase } from '../../store/tests/database';
import * as entriesRoute from '../src/app/api/v1/jobs/[ticket]/entries/route';
import * as readingsRoute from '../src/app/api/v1/jobs/[ticket]/readings/route';
import * as shopRoute from '../src/app/api/v1/shop/route';
import * as stockRoute from '../src/app/api/v1/stock/route';
import * as typesRoute from '../src/app/api/v1/types/route';
import { addressOf, packAsker } from '../src/server/gate';
import { askerHeader } from '../src/server/gateHeaders';

const app = resolve(import.meta.dirname, '../src/app');
const found = (readdirSync(app, { recursive: true }) as string[]).map((file) => file.split(sep).join('/'));
/** Every address there is, by its own file: route handlers with their methods, pages with GET. */
const addresses = found.flatMap((file): [string, string][] => {
  const address = `/${file.split('/').slice(0, -1).join('/')}`.replace(/\[[^\]]+\]/g, 'x');
  if (/(?:^|\/)page\.tsx$/.test(file)) return [['GET', address]];
  if (!/(?:^|\/)route\.tsx?$/.test(file)) return [];
  const text = readFileSync(join(app, file), 'utf8');
  return [...text.matchAll(/export (?:const|async function|function) (GET|POST|PUT|DELETE|PATCH)\b/g)].map(
    ([, method = '']): [string, string] => [method, address],
  );
});

describe('every address has a rule, and every rule an address', () => {
  test.each(addresses)('%s %s', (method, address) => expect(routeNeeds(method, address)).not.toBeNull());
  test('a rule that has no address any more is taken out', () => {
    const known = new Set(addresses.map(([method, address]) => `${method} ${address}`));
    const ofLibrary = ['/api/auth/*', '/icon.svg'];
    const stray = routeRules
      .filter(({ path }) => !ofLibrary.includes(path))
      .flatMap(({ path, needs }) => Object.keys(needs).map((method) => `${method} ${path.replaceAll('*', 'x')}`))
      .filter((each) => !known.has(each));
    expect(stray).toEqual([]);
  });
});

describe('where a request comes from', () => {
  const from = (remoteAddress: string, told?: string | string[]) =>
    ({ socket: { remoteAddress }, headers: { 'x-forwarded-for': told } }) as never;
  test('is what the proxy on this machine says last, and nobody else', () => {
    expect(addressOf(from('127.0.0.1', '6.6.6.6, 10.0.0.7'), true)).toBe('10.0.0.7');
    expect(addressOf(from('::ffff:127.0.0.1', ['6.6.6.6', '10.0.0.8']), true)).toBe('10.0.0.8');
    expect(addressOf(from('10.0.0.9', '6.6.6.6'), true)).toBe('10.0.0.9');
    expect(addressOf(from('127.0.0.1', '6.6.6.6'), false)).toBe('127.0.0.1');
    expect(addressOf(from('127.0.0.1'), true)).toBe('127.0.0.1');
  });
});

describe('an entry is signed by whoever is signed in', () => {
  let database: TestDatabase;
  beforeAll(async () => {
    database = await demoDatabase();
    process.env['DATABASE_URL'] = database.webUrl;
  });
  afterAll(() => database.drop());

  const juno: Asker = { id: 'a', name: 'Juno Tam', role: 'apprentice' };
  const perrin: Asker = { id: 'b', name: 'Perrin Oake', role: 'technician' };
  const desk: Asker = { id: 'c', name: 'Zoë Färber', role: 'desk' };
  const entry = (kind: string, body: object, author = '') => ({
    id: randomUUID(),
    kind,
    body,
    author,
    benchTime: new Date().toISOString(),
  });
  const request = (asker: Asker | null, body: unknown, path: string) =>
    new Request(`http://127.0.0.1/api/v1/${path}`, {
      method: 'POST',
      headers: { 'content-type': 'application/json', ...(asker && { [askerHeader]: packAsker(asker) }) },
      body: JSON.stringify(body),
    });
  const write = async (asker: Asker | null, body: unknown) => {
    const answer = await entriesRoute.POST(request(asker, body, 'jobs/LL-201/entries'), {
      params: Promise.resolve({ ticket: 'LL-201' }),
    });
    return { status: answer.status, body: (await answer.json()) as Record<string, unknown> };
  };
  const authorOf = async (id: string) => {
    const job = await jobByTicket(database.db, 'LL-201');
    return (await jobEntries(database.db, job?.id ?? '')).find((each) => each.id === id)?.author;
  };

  test('whatever its own body says or leaves out', async () => {
    for (const author of ['', 'at the bench', 'Zoë Färber']) {
      const note = entry('note', { text: 'x' }, author);
      expect((await write(desk, note)).status).toBe(201);
      expect(await authorOf(note.id)).toBe('Zoë Färber');
      // Sent again, it is the same entry.
      expect((await write(desk, note)).status).toBe(200);
    }
  });
  test('what other hands have written is not signed by these, and is not lost: it is refused', async () => {
    const note = entry('note', { text: 'x' }, 'Juno Tam');
    expect(await write(perrin, note)).toMatchObject({ status: 403, body: { error: 'other-hands' } });
    expect(await authorOf(note.id)).toBeUndefined();
    expect((await write(juno, note)).status).toBe(201);
  });
  test('a role writes what it may', async () => {
    const decision = { question: 'q', choice: 'c', reason: 'r' };
    expect(await write(juno, entry('decision', decision))).toMatchObject({
      status: 403,
      body: { error: 'not-yours', message: expect.stringMatching(/Juno Tam may not write this as apprentice/) },
    });
    expect((await write(perrin, entry('decision', decision))).status).toBe(201);
    const tick = { group: 'pad', part: 'e', says: 'no-light' };
    expect((await write(desk, entry('tick', tick))).status).toBe(403);
    expect((await write(juno, entry('tick', tick))).status).toBe(201);
  });
  test('who may not write something may not take it back either', async () => {
    const decision = entry('decision', { question: 'q', choice: 'c', reason: 'r' });
    await appendEntry(database.db, 'LL-201', { ...decision, author: 'Perrin Oake' } as never);
    const strike = entry('strike', { entry: decision.id, reason: 'slip' });
    expect((await write(juno, strike)).status).toBe(403);
    expect((await write(perrin, strike)).status).toBe(201);
    const note = entry('note', { text: 'y' });
    await write(juno, note);
    expect((await write(juno, entry('strike', { entry: note.id, reason: 'slip' }))).status).toBe(201);
    // One that is not there is refused by the logbook, not by the door.
    expect((await write(juno, entry('strike', { entry: randomUUID(), reason: 'slip' }))).status).toBe(400);
  });
  test('the logbooks of the shop and of the drawers too', async () => {
    const hours = { timeZone: 'UTC', week: {}, closed: [], resources: { oven: 1, vice: 1 } };
    expect((await shopRoute.POST(request(perrin, entry('hours', hours), 'shop'))).status).toBe(403);
    expect((await shopRoute.POST(request({ ...perrin, role: 'owner' }, entry('hours', hours), 'shop'))).status).toBe(
      201,
    );
    const item = { id: 'pad-9', kind: 'pad', diameter: 9, thickness: 2, soldIn: 'mm', counted: 'piece' };
    expect((await stockRoute.POST(request(juno, entry('spares', { percent: 5, least: 0 }), 'stock'))).status).toBe(403);
    expect((await stockRoute.POST(request(juno, entry('item', item), 'stock'))).status).toBe(201);
    const { rows } = await database.pool.query<{ author: string }>(
      "select author from stock_entries where body->>'id' = 'pad-9'",
    );
    expect(rows).toEqual([{ author: 'Juno Tam' }]);
  });
  test('figures out of a file are signed by whoever brings them in, whatever the file says', async () => {
    const file =
      'author,group,part,measure,clock (deg),value (mm),gauge,gauge resolution (mm),gauge max error (mm)\n' +
      'Somebody Else,pad,e,gap,0,0.021,feeler-film,0.01,0.004\n';
    const bring = (asker: Asker | null) =>
      readingsRoute.POST(
        new Request('http://127.0.0.1/api/v1/jobs/LL-201/readings?author=Nobody', {
          method: 'POST',
          headers: { 'content-type': 'text/csv', ...(asker && { [askerHeader]: packAsker(asker) }) },
          body: file,
        }),
        { params: Promise.resolve({ ticket: 'LL-201' }) },
      );
    for (const asker of [perrin, null]) expect((await bring(asker)).status).toBe(200);
    const { rows } = await database.pool.query<{ author: string }>(
      "select author from entries where kind = 'reading' and body->>'value' = '0.021' order by seq desc limit 2",
    );
    expect(rows.map(({ author }) => author)).toEqual(['Somebody Else', 'Perrin Oake']);
  });
  test('a kept type is signed too', async () => {
    const answer = await typesRoute.POST(request(perrin, { nonsense: true }, 'types'));
    expect(answer.status).toBe(400);
  });
  test('where nobody has a key the name that is typed stands', async () => {
    const note = entry('note', { text: 'z' }, 'Somebody');
    expect((await write(null, note)).status).toBe(201);
    expect(await authorOf(note.id)).toBe('Somebody');
  });
  test('what is no entry at all is told by its own checks', async () => {
    for (const body of [null, 7, 'x', [], {}]) expect((await write(juno, body)).status).toBe(400);
  });
});
