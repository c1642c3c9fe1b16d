import { afterEach, beforeAll, beforeEach, describe, expect, jest, test } from '@jest/globals';
import { roles } from '@holotonos/core';
import {
  allow,
  BadKey,
  changeKey,
  demoPeople,
  hasKeys,
  listKeys,
  loadDemoKeys,
  makeKey,
  openStore,
  readAudit,
  type Key,
  type Store,
} from '../src';
import { askerOf, authOf, authPaths, keepingOf, secretOf, type Auth } from '../src/accounts/auth';
import { testDatabase, type TestDatabase } from './database';

jest.setTimeout(60_000);

let database: TestDatabase;
/** As the web process comes in: what it may do is part of what is tested. */
let web: Store;
let auth: Auth;
const host = 'http://127.0.0.1:4600';

beforeAll(() => {
  jest.spyOn(console, 'error').mockImplementation(() => undefined);
});
beforeEach(async () => {
  database = await testDatabase();
  web = openStore(database.webUrl, 4);
  auth = authOf(web.db, { secret: await secretOf(web.db), beyond: false });
});
afterEach(async () => {
  await web.close();
  await database.drop();
});

/** A browser: what it was given to carry, it carries. */
function browser(of: Auth = auth, address = '10.0.0.1') {
  const jar = new Map<string, string>();
  const cookie = () => [...jar].map(([name, value]) => `${name}=${value}`).join('; ');
  return {
    jar,
    cookie,
    asker: (beyond = false) => askerOf(of, cookie(), beyond),
    async ask(path: string, body?: object) {
      const response = await of.handler(
        new Request(`${host}/api/auth${path}`, {
          method: body ? 'POST' : 'GET',
          headers: {
            'cookie': cookie(),
            'origin': host,
            'x-holotonos-address': address,
            ...(body && { 'content-type': 'application/json' }),
          },
          ...(body && { body: JSON.stringify(body) }),
        }),
      );
      for (const line of response.headers.getSetCookie()) {
        const [, name = '', value = ''] = /^([^=]+)=([^;]*)/.exec(line) ?? [];
        if (value === '' || /max-age=0/i.test(line)) jar.delete(name);
        else jar.set(name, value);
      }
      const text = await response.text();
      return { status: response.status, body: (text === '' ? {} : JSON.parse(text)) as Record<string, unknown> };
    },
  };
}
const ottoline = { name: 'Ottoline Marsh', email: 'ottoline@shop.example', password: 'a long enough word' };
/** The first owner at a bench of the shop, and somebody with a number. */
async function shop() {
  const owner = browser();
  await owner.ask('/first-owner', ottoline);
  const made = await owner.ask('/keys', { name: 'Juno Tam', role: 'apprentice', pin: '3141' });
  return { owner, juno: made.body['key'] as Key };
}
const said = ({ status, body }: { status: number; body: Record<string, unknown> }) => [status, body['message']];

describe('the first owner', () => {
  test('is whoever comes first, and nobody after', async () => {
    expect([await hasKeys(web.db), await keepingOf(web.db, false), await keepingOf(web.db, true)]).toEqual([
      false,
      'open',
      'shut',
    ]);
    const answers = await Promise.all(
      [1, 2, 3].map((n) => browser().ask('/first-owner', { ...ottoline, email: `o${n}@shop.example` })),
    );
    expect(answers.map(({ status }) => status).sort((a, b) => a - b)).toEqual([200, 400, 400]);
    expect(await listKeys(web.db)).toMatchObject([{ role: 'owner', name: 'Ottoline Marsh', ended: false }]);
    expect(await keepingOf(web.db, false)).toBe('shut');
  });
  test('comes in again with the password and not without', async () => {
    await shop();
    const other = browser();
    const wrong = await other.ask('/sign-in/email', { email: ottoline.email, password: 'not that one at all' });
    expect([wrong.status, await other.asker()]).toEqual([401, null]);
    expect((await other.ask('/sign-in/email', { email: ottoline.email, password: ottoline.password })).status).toBe(
      200,
    );
    expect(await other.asker()).toMatchObject({ name: 'Ottoline Marsh', role: 'owner' });
    await other.ask('/sign-out', {});
    expect(await other.asker()).toBeNull();
    expect((await readAudit(web.db)).map(({ what }) => what)).toEqual([
      'signed-in',
      'refused',
      'key-made',
      'first-owner',
    ]);
  });
  test('cannot be made by signing up, nor a role taken by oneself', async () => {
    const { owner } = await shop();
    const stranger = browser();
    const up = await stranger.ask('/sign-up/email', { ...ottoline, email: 'x@shop.example' });
    expect(up.status).toBeGreaterThanOrEqual(400);
    expect(await listKeys(web.db)).toHaveLength(2);
    expect(authPaths).not.toContain('/sign-up/email');
    expect(authPaths).not.toContain('/update-user');
    // A cookie that somebody has made is nobody’s.
    stranger.jar.set('holotonos.session_token', `${'a'.repeat(32)}.${'b'.repeat(44)}`);
    expect(await stranger.asker()).toBeNull();
    const [token = ''] = (owner.jar.get('holotonos.session_token') ?? '').split('.');
    stranger.jar.set('holotonos.session_token', token);
    expect(await stranger.asker()).toBeNull();
  });
});

describe('hands change at a bench', () => {
  test('by a name and a number, and the one before is out', async () => {
    const { owner, juno } = await shop();
    const before = owner.cookie();
    expect(await owner.ask('/hands', { key: juno.id, pin: '3141' })).toMatchObject({
      status: 200,
      body: { name: 'Juno Tam', role: 'apprentice' },
    });
    expect(await owner.asker()).toMatchObject({ name: 'Juno Tam', role: 'apprentice' });
    expect(await askerOf(auth, before, false)).toBeNull();
    expect((await readAudit(web.db))[0]).toMatchObject({
      what: 'changed-hands',
      who: 'Juno Tam',
      about: 'Ottoline Marsh',
    });
  });
  test('shows who has a number, and no number', async () => {
    const { owner, juno } = await shop();
    expect((await browser().ask('/people')).body).toMatchObject({ people: [], bench: false });
    await owner.ask('/bench', {});
    const { body } = await owner.ask('/people');
    expect(body).toEqual({
      people: [{ id: juno.id, name: 'Juno Tam', role: 'apprentice' }],
      bench: true,
      first: false,
      signedIn: 'Ottoline Marsh',
    });
  });
  test('not in a browser that is no bench, whatever the number', async () => {
    const { juno } = await shop();
    const elsewhere = browser();
    expect(said(await elsewhere.ask('/hands', { key: juno.id, pin: '3141' }))).toEqual([
      403,
      expect.stringMatching(/no bench/),
    ]);
    elsewhere.jar.set('holotonos.bench', 'made-up');
    expect((await elsewhere.ask('/hands', { key: juno.id, pin: '3141' })).status).toBe(403);
    expect(await elsewhere.asker()).toBeNull();
  });
  test('five wrong numbers lock the key for all benches, and the right one with it', async () => {
    const { owner, juno } = await shop();
    for (let n = 0; n < 5; n += 1)
      expect((await owner.ask('/hands', { key: juno.id, pin: `000${n}` })).status).toBe(401);
    expect(said(await owner.ask('/hands', { key: juno.id, pin: '3141' }))).toEqual([
      429,
      expect.stringMatching(/quarter of an hour/),
    ]);
    // Who was there stays there.
    expect(await owner.asker()).toMatchObject({ role: 'owner' });
    expect((await readAudit(web.db)).filter(({ what }) => what === 'refused')).toHaveLength(5);
  });
  test('what is no name and number at all is a wrong one, not a fault', async () => {
    const { owner } = await shop();
    for (const body of [{}, { key: 7, pin: [] }, { key: 'nobody', pin: '1234' }, { key: '', pin: '' }])
      expect([body, (await owner.ask('/hands', body)).status]).toEqual([body, 401]);
  });
  test('a browser becomes a bench by somebody who may', async () => {
    const { owner, juno } = await shop();
    const other = browser();
    await other.ask('/sign-in/email', { email: ottoline.email, password: ottoline.password });
    expect((await other.ask('/hands', { key: juno.id, pin: '3141' })).status).toBe(403);
    expect((await other.ask('/bench', {})).status).toBe(200);
    expect((await other.ask('/hands', { key: juno.id, pin: '3141' })).status).toBe(200);
    expect(said(await other.ask('/bench', {}))).toEqual([403, expect.stringMatching(/makes a browser a bench/)]);
    expect((await browser().ask('/bench', {})).status).toBe(401);
    expect(await owner.asker()).toMatchObject({ role: 'owner' });
  });
});

describe('keys', () => {
  test('are given by an owner only', async () => {
    const { owner, juno } = await shop();
    const wish = { name: 'Perrin Oake', role: 'technician', pin: '2718' };
    const nobody = browser();
    for (const answer of [await nobody.ask('/keys', wish), await nobody.ask('/keys'), await nobody.ask('/audit')])
      expect(answer.status).toBe(401);
    await owner.ask('/hands', { key: juno.id, pin: '3141' });
    for (const answer of [
      await owner.ask('/keys', { ...wish, role: 'owner' }),
      await owner.ask('/keys'),
      await owner.ask('/audit'),
    ])
      expect(answer.status).toBe(403);
    expect(await listKeys(web.db)).toHaveLength(2);
  });
  test('never show what opens a door', async () => {
    const { owner } = await shop();
    const answer = JSON.stringify((await owner.ask('/keys')).body);
    for (const secret of ['3141', 'pinHash', 'pin_hash', 'password', ottoline.password])
      expect(answer).not.toContain(secret);
    expect(answer).toContain('"hasPin":true');
  });
  test('that are ended, or are of another role now, are signed out at once', async () => {
    const { owner, juno } = await shop();
    const bench = browser();
    await bench.ask('/sign-in/email', { email: ottoline.email, password: ottoline.password });
    await bench.ask('/bench', {});
    await bench.ask('/hands', { key: juno.id, pin: '3141' });
    await owner.ask('/keys', { id: juno.id, role: 'technician' });
    expect(await bench.asker()).toBeNull();
    await bench.ask('/hands', { key: juno.id, pin: '3141' });
    expect(await bench.asker()).toMatchObject({ role: 'technician' });
    await owner.ask('/keys', { id: juno.id, ended: true });
    expect(await bench.asker()).toBeNull();
    expect((await bench.ask('/hands', { key: juno.id, pin: '3141' })).status).toBe(401);
    // The name is free again: entries of the one before stay as they are.
    expect((await owner.ask('/keys', { name: 'Juno Tam', role: 'desk', pin: '1111' })).status).toBe(200);
  });
  test('are changed in what is named; all else of them stays', async () => {
    const { juno } = await shop();
    const is = { name: 'Juno Tam', role: 'apprentice', person: null, ended: false, hasPin: true };
    expect(juno).toMatchObject(is);
    const changes: [object, object][] = [
      [{ person: 'juno' }, { person: 'juno' }],
      [{ name: ' Juno Weir ' }, { name: 'Juno Weir' }],
      [{ role: 'technician' }, { role: 'technician' }],
      [{ email: 'Juno@shop.example', password: 'a long enough word' }, { email: 'juno@shop.example' }],
      [{ pin: '2718' }, {}],
      [{ ended: true }, { ended: true }],
    ];
    let expected: object = is;
    for (const [wish, change] of changes) {
      expected = { ...expected, ...change };
      expect(await changeKey(web.db, juno.id, wish)).toMatchObject(expected);
    }
    expect((await listKeys(web.db)).find(({ id }) => id === juno.id)).toMatchObject(expected);
  });
  test('a password of a key that was taken back opens nothing', async () => {
    const { owner } = await shop();
    const perrin = { email: 'perrin@shop.example', password: 'another long word' };
    const made = await owner.ask('/keys', { name: 'Perrin Oake', role: 'technician', ...perrin });
    await owner.ask('/keys', { id: (made.body['key'] as Key).id, ended: true });
    const his = browser();
    expect(said(await his.ask('/sign-in/email', perrin))).toEqual([401, 'This key was taken back.']);
    expect(await his.asker()).toBeNull();
  });
  test('the last owner with a password stays one', async () => {
    const { owner, juno } = await shop();
    const [{ id = '' } = {}] = (await listKeys(web.db)).filter(({ role }) => role === 'owner');
    for (const wish of [{ ended: true }, { role: 'desk' }])
      expect(said(await owner.ask('/keys', { id, ...wish }))).toEqual([
        400,
        expect.stringMatching(/stay who is an owner/),
      ]);
    // Made an owner without a password, somebody could shut all out of the shop.
    await owner.ask('/keys', { id: juno.id, role: 'owner' });
    expect((await owner.ask('/keys', { id, ended: true })).status).toBe(400);
    expect(await owner.asker()).toMatchObject({ role: 'owner' });
  });
  test('a wish that cannot be is refused in words, and nothing is made', async () => {
    const { owner } = await shop();
    for (const [wish, why] of [
      [{ name: ' ' }, /1 to 80/],
      [{ name: 'a\u0007b' }, /1 to 80/],
      [{ name: 'ottoline marsh' }, /has a key already/],
      [{ role: 'king' }, /no role/],
      [{ pin: '12' }, /four to eight/],
      [{ pin: '12a4' }, /four to eight/],
      [{ pin: '' }, /password, a PIN, or both/],
      [{ email: 'nowhere', password: 'long enough word' }, /no e-mail/],
      [{ email: 'p@shop.example' }, /go together/],
      [{ email: 'p@shop.example', password: 'short' }, /10 characters/],
      [{ email: 'OTTOLINE@shop.example', password: 'long enough word' }, /signs in with/],
      [{ role: 'owner' }, /needs an e-mail/],
    ] as const) {
      const answer = await owner.ask('/keys', { name: 'Perrin Oake', role: 'technician', pin: '2718', ...wish });
      expect([wish, ...said(answer)]).toEqual([wish, 400, expect.stringMatching(why)]);
    }
    expect(await listKeys(web.db)).toHaveLength(2);
  });
  test('are kept whole where something goes wrong half-way', async () => {
    const { juno } = await shop();
    await expect(changeKey(web.db, juno.id, { name: 'Ottoline Marsh', pin: '9999' })).rejects.toThrow(BadKey);
    await expect(changeKey(web.db, 'nobody', { name: 'x' })).rejects.toThrow('no such key');
    expect((await listKeys(web.db)).find(({ id }) => id === juno.id)).toEqual(juno);
  });
});

describe('one’s own key', () => {
  const wrongNumber = 'That is not your number or password.';
  async function junoAtTheBench() {
    const { owner, juno } = await shop();
    const hands = browser();
    for (const [name, value] of owner.jar) hands.jar.set(name, value);
    expect((await hands.ask('/hands', { key: juno.id, pin: '3141' })).status).toBe(200);
    return { owner, juno, hands };
  }
  test('gets another number by whoever knows the one there is; every other browser is signed out', async () => {
    const { juno, hands } = await junoAtTheBench();
    const tablet = browser();
    for (const [name, value] of hands.jar) tablet.jar.set(name, value);
    expect(await tablet.asker()).toMatchObject({ name: 'Juno Tam' });
    expect(said(await hands.ask('/own', { current: '2718', pin: '1618' }))).toEqual([401, wrongNumber]);
    expect(said(await hands.ask('/own', { current: '3141' }))).toEqual([
      400,
      'Write the new number or the new password.',
    ]);
    expect((await hands.ask('/own', { current: '3141', pin: '16' })).status).toBe(400);
    expect((await hands.ask('/own', { current: '3141', pin: '1618' })).status).toBe(200);
    expect(await hands.asker()).toMatchObject({ name: 'Juno Tam' });
    expect(await tablet.asker()).toBeNull();
    expect((await hands.ask('/hands', { key: juno.id, pin: '3141' })).status).toBe(401);
    expect((await hands.ask('/hands', { key: juno.id, pin: '1618' })).status).toBe(200);
    expect((await readAudit(web.db)).map(({ what, about }) => `${what} ${about}`)).toContain('key-changed their own');
  });
  test('with a password is changed by the password, for a number is looked at over a shoulder', async () => {
    const { owner } = await shop();
    expect((await owner.ask('/own', { current: ottoline.password, pin: '1204' })).status).toBe(200);
    const next = 'another long enough word';
    expect(said(await owner.ask('/own', { current: '1204', password: next }))).toEqual([
      401,
      'That is not your password.',
    ]);
    expect((await owner.ask('/own', { current: '1204', pin: '1205' })).status).toBe(200);
    expect((await owner.ask('/own', { current: ottoline.password, password: 'short' })).status).toBe(400);
    expect((await owner.ask('/own', { current: ottoline.password, password: next })).status).toBe(200);
    const again = browser();
    expect((await again.ask('/sign-in/email', { email: ottoline.email, password: ottoline.password })).status).toBe(
      401,
    );
    expect((await again.ask('/sign-in/email', { email: ottoline.email, password: next })).status).toBe(200);
  });
  test('is nobody’s who is not there, and no way to a role or another name', async () => {
    expect((await browser().ask('/own', { current: '3141', pin: '1618' })).status).toBe(401);
    const { hands } = await junoAtTheBench();
    await hands.ask('/own', { current: '3141', pin: '1618', role: 'owner', name: 'Ottoline Marsh' });
    expect((await listKeys(web.db)).find(({ hasPin }) => hasPin)).toMatchObject({
      name: 'Juno Tam',
      role: 'apprentice',
    });
  });
  test('guessed at five times, is locked as at the bench', async () => {
    const { hands } = await junoAtTheBench();
    for (let n = 0; n < 5; n += 1) await hands.ask('/own', { current: `000${n}`, pin: '1618' });
    expect((await hands.ask('/own', { current: '3141', pin: '1618' })).status).toBe(401);
  });
});

describe('a demo', () => {
  test('can be looked at by whoever comes, its numbers let in here and nowhere else', async () => {
    expect(await loadDemoKeys(web.db)).toBe(demoPeople.length);
    expect(await loadDemoKeys(web.db)).toBe(0);
    expect([await keepingOf(web.db, false), await keepingOf(web.db, true)]).toEqual(['shown', 'shut']);
    const [first] = demoPeople;
    const key = (await listKeys(web.db)).find(({ name }) => name === first?.name);
    const here = browser();
    // No bench is asked for: the numbers stand on the page.
    expect((await here.ask('/hands', { key: key?.id, pin: first?.pin })).status).toBe(200);
    expect(await here.asker()).toMatchObject({ name: first?.name });
    const shown = async (of: ReturnType<typeof browser>) => (await of.ask('/people')).body;
    expect(await shown(browser())).toEqual({
      people: expect.arrayContaining(
        demoPeople.map(({ name, role, pin }) => ({ id: expect.any(String), name, role, pin })),
      ),
      bench: false,
      first: false,
      signedIn: null,
    });
    expect((await shown(here))['signedIn']).toBe(first?.name);
    // A server that others can reach does not know them, not even one that was signed in before.
    expect(await here.asker(true)).toBeNull();
    const beyond = browser(authOf(web.db, { secret: await secretOf(web.db), beyond: true }));
    expect(said(await beyond.ask('/hands', { key: key?.id, pin: first?.pin }))).toEqual([
      403,
      expect.stringMatching(/demo/),
    ]);
    expect((await shown(beyond))['people']).toEqual([]);
    const address = `${key?.id}@demo.invalid`;
    expect(said(await beyond.ask('/sign-in/email', { email: address, password: 'a long enough word' }))).toEqual([
      403,
      'Keys of the demo open nothing here.',
    ]);
  });
  test('each of its people has a role of the shop', () => {
    for (const { role, pin } of demoPeople) {
      expect(roles).toContain(role);
      expect(pin).toMatch(/^\d{4}$/);
    }
  });
});

describe('what is kept of it', () => {
  test('the audit is ink, and the web process reads no secret that it need not write over', async () => {
    await shop();
    await expect(web.pool.query("update audit set who = 'x'")).rejects.toThrow();
    await expect(web.pool.query('delete from audit')).rejects.toThrow();
    await expect(database.pool.query('truncate audit')).rejects.toThrow();
    const { rows } = await database.pool.query<{ text: string }>(
      'select coalesce(pin_hash, password) as text from users left join credentials on user_id = users.id',
    );
    for (const { text } of rows) expect(text).toMatch(/^[0-9a-f]{32}:[0-9a-f]{128}$/);
    const benches = await database.pool.query<{ hash: string }>('select token_hash as hash from benches');
    expect(benches.rows[0]?.hash).toMatch(/^[0-9a-f]{64}$/);
  });
  test('two processes sign with the same secret', async () => {
    const secret = await secretOf(web.db);
    expect(await Promise.all([1, 2, 3].map(() => secretOf(web.db)))).toEqual([secret, secret, secret]);
    const { owner } = await shop();
    expect(await askerOf(authOf(database.db, { secret, beyond: false }), owner.cookie(), false)).toMatchObject({
      role: 'owner',
    });
    const other = authOf(web.db, { secret: 'another one that is quite long enough', beyond: false });
    expect(await askerOf(other, owner.cookie(), false)).toBeNull();
  });
  test('what is done too often waits, by whom and what; after a while it goes on', async () => {
    const tries = async (key: string, windowMs = 60_000) =>
      Promise.all([1, 2, 3, 4].map(() => allow(web.db, key, 3, windowMs)));
    const first = await tries('write of a');
    expect(first.filter((wait) => wait === 0)).toHaveLength(3);
    expect(Math.max(...first)).toBeGreaterThan(50);
    expect(await allow(web.db, 'write of b', 3, 60_000)).toBe(0);
    await tries('short', 30);
    await new Promise((done) => setTimeout(done, 50));
    expect(await allow(web.db, 'short', 3, 30)).toBe(0);
  });
  test('a key needs a name', () =>
    expect(makeKey(web.db, { name: '', role: 'desk', pin: '1234' })).rejects.toThrow(BadKey));
});
