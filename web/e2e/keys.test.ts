import { afterAll, beforeAll, describe, expect, jest, test } from '@jest/globals';
import { admit, roles, type Asker, type Role } from '@holotonos/core';
import type { Page } from 'puppeteer-core';
import { bodyAt } from '../bodies.mjs';
import { routes } from '../tests/badRequests';
import { axeProblems, fill, patience, press, seeText, startPage, startServer, tick, until, type App } from './app';

jest.setTimeout(240_000);

let app: App;
let page: Page;
let complaints: string[] = [];
beforeAll(async () => {
  ({ app, page, complaints } = await startPage());
});
afterAll(() => app.close());

const owner = { name: 'Ottoline Marsh', email: 'ottoline@shop.example', password: 'a long enough word' };
const hands: { name: string; role: Role; pin: string }[] = [
  { name: 'Perrin Oake', role: 'technician', pin: '2718' },
  { name: 'Juno Tam', role: 'apprentice', pin: '3141' },
  { name: 'Zoë Färber', role: 'desk', pin: '1618' },
];
const seen = (name: string) => `${name} is at the bench: change hands`;
/** Somebody else takes over, by name and number. How long that takes is measured in `bench/run.mjs`. */
async function change(name: string, pin: string): Promise<void> {
  await page.locator('button.hands').click();
  await page.waitForSelector('.takers button');
  await page.locator(`.takers button ::-p-text(${name})`).click();
  await page.keyboard.type(pin);
  await page.keyboard.press('Enter');
  await page.waitForSelector(`::-p-aria([name="${seen(name)}"])`);
}

/** Whose names stand under the entries that say this, once there is one. */
async function signedBy(field: string, text: string): Promise<string[]> {
  for (const end = Date.now() + patience; ; await new Promise((next) => setTimeout(next, 50))) {
    const { rows } = await app.database.pool.query<{ author: string }>(
      'select author from entries where body->>$1 = $2',
      [field, text],
    );
    if (rows.length > 0 || Date.now() > end) return rows.map(({ author }) => author);
  }
}

/** A browser outside the page: what it is given to carry, it carries. */
function visitor(address = app.address) {
  // What a page of the shop reads of its browser, and says back with all it writes.
  const token = 'a-token-of-thirty-two-signs-12345'.slice(0, 32);
  const jar = new Map<string, string>([['holotonos.token', token]]);
  const ask = async (method: string, path: string, body?: object, more: Record<string, string> = {}) => {
    const [type = 'application/json'] = bodyAt(path).types;
    const response = await fetch(`${address}${path}`, {
      method,
      redirect: 'manual',
      headers: {
        'cookie': [...jar].map(([name, value]) => `${name}=${value}`).join('; '),
        'origin': address,
        'x-holotonos-token': token,
        ...(body && { 'content-type': type.replace('*', 'png') }),
        ...more,
      },
      ...(body && { body: JSON.stringify(body) }),
    });
    for (const line of response.headers.getSetCookie()) {
      const [, name = '', value = ''] = /^([^=]+)=([^;]*)/.exec(line) ?? [];
      jar.set(name, value);
    }
    return response;
  };
  return { ask, jar };
}
const idOf = async (name: string) => {
  const { rows } = await app.database.pool.query<{ id: string }>('select id from users where name = $1', [name]);
  return rows[0]?.id ?? '';
};
/** Somebody signed in outside the page. */
async function signedIn(name: string, address = app.address) {
  const one = visitor(address);
  await one.ask('POST', '/api/auth/sign-in/email', { email: owner.email, password: owner.password });
  if (name === owner.name) return one;
  await one.ask('POST', '/api/auth/bench', {});
  const pin = hands.find((each) => each.name === name)?.pin;
  expect((await one.ask('POST', '/api/auth/hands', { key: await idOf(name), pin })).status).toBe(200);
  return one;
}

describe('a shop gets its lock', () => {
  test('open, whoever comes works in it; the first owner is made by keyboard and shuts it', async () => {
    await page.goto(`${app.address}/shop/keys`);
    await seeText(page, 'Nobody has a key yet');
    expect((await visitor().ask('GET', '/jobs/LL-201')).status).toBe(200);
    await fill(page, 'Name', owner.name);
    await page.keyboard.press('Tab');
    await page.keyboard.type(owner.email);
    await page.keyboard.press('Tab');
    await page.keyboard.type(owner.password);
    await page.keyboard.press('Enter');
    await page.waitForSelector(`::-p-aria([name="${seen(owner.name)}"])`);
    await seeText(page, 'made the shop’s first key');
    // From now on nobody else comes further than the door.
    const stranger = visitor();
    const sent = await stranger.ask('GET', '/jobs/LL-201?x=1');
    expect([sent.status, sent.headers.get('location')]).toEqual([303, '/sign-in?back=%2Fjobs%2FLL-201%3Fx%3D1']);
    expect((await stranger.ask('GET', '/api/v1/jobs/LL-201/export')).status).toBe(401);
    expect((await stranger.ask('GET', '/sign-in')).status).toBe(200);
  });

  test('keys are given out by keyboard', async () => {
    for (const { name, role, pin } of hands) {
      await press(page, 'A new key');
      await until(page, () => document.activeElement?.matches('.shop-form input'));
      await page.keyboard.type(name);
      await page.keyboard.press('Tab');
      await page.keyboard.type(role.slice(0, 3));
      await page.keyboard.press('Tab');
      await page.keyboard.type(pin);
      await page.keyboard.press('Enter');
      await seeText(page, `${name} has a key.`);
    }
    const { rows } = await app.database.pool.query('select name, role from users order by created_at');
    expect(rows).toEqual([{ name: owner.name, role: 'owner' }, ...hands.map(({ name, role }) => ({ name, role }))]);
  });

  test('hands change without leaving the page or losing what is on the screen, and each signs', async () => {
    await page.goto(`${app.address}/jobs/LL-203`);
    await tick(page, 'textarea');
    await page.keyboard.type('half written');
    await page.evaluate(() => document.body.setAttribute('data-stays', ''));
    await change('Juno Tam', '3141');
    expect(await page.$('[data-stays]')).not.toBeNull();
    expect(await page.$eval('textarea', (field) => field.value)).toBe('half written');
    await press(page, 'Write it down');
    await seeText(page, 'half written');
    expect(await signedBy('text', 'half written')).toEqual(['Juno Tam']);
  });

  test('what a role may not write is set aside in words, and sent by somebody who may', async () => {
    await tick(page, '[id$="-decision"]');
    await fill(page, 'What had to be decided', 'Is the lacquer kept?');
    await fill(page, 'What was decided', 'Yes');
    await fill(page, 'Why', 'It is original');
    await press(page, 'Write it down');
    await seeText(page, 'Juno Tam may not write this as apprentice');
    await change('Perrin Oake', '2718');
    const button = async (name: string) => page.locator(`::-p-xpath(//button[normalize-space()="${name}"])`).click();
    await button('Send it again');
    await seeText(page, 'This was written by Juno Tam, and Perrin Oake is signed in');
    // Changed, it is signed by whoever changes it.
    await button('Change it');
    await press(page, 'Send it so');
    expect(await signedBy('question', 'Is the lacquer kept?')).toEqual(['Perrin Oake']);
  });
});

describe('the owner’s page', () => {
  let link = '';
  const outside = () => new URL(link).pathname;
  test('a link is made by whoever deals with owners, and opens without a key what was chosen', async () => {
    await page.goto(`${app.address}/jobs/LL-203/estimate`);
    await tick(page, 'fieldset input[type=checkbox]');
    await press(page, 'Make a link');
    await page.waitForSelector('[aria-label="The link"]');
    link = await page.$eval('[aria-label="The link"]', (field) => (field as HTMLInputElement).value);
    expect(link).toMatch(/\/owner\/LL-203\/[\w-]{43}$/);
    await seeText(page, 'with 1 photo.');
    // What opens it is written down nowhere.
    const { rows } = await app.database.pool.query<{ body: string }>(
      "select body::text as body from entries where kind = 'owner-link'",
    );
    expect(rows).toHaveLength(1);
    expect(rows[0]?.body).not.toContain(link.split('/').at(-1));
  });
  test('on a phone: how it goes, a photograph, an estimate to accept; the bench sees the answer at once', async () => {
    const context = await app.browser.createBrowserContext();
    const phone = await context.newPage();
    await phone.setViewport({ width: 390, height: 844 });
    await phone.goto(link);
    await seeText(phone, 'steps are done');
    expect(await phone.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
    await until(phone, () => [...document.images].every(({ complete, naturalWidth }) => complete && naturalWidth > 0));
    expect(await phone.$$eval('img', (images) => images.length)).toBe(1);
    // Nothing there leads to the bench.
    const ways = await phone.$$eval('a[href]', (links) => links.map((each) => each.getAttribute('href') ?? ''));
    expect(ways.filter((way) => !way.startsWith('/api/v1/owner/') && way !== '#main')).toEqual([]);
    expect(await axeProblems(phone)).toEqual([]);
    await press(phone, 'I accept');
    await seeText(phone, 'The shop sees it at once');
    await seeText(page, 'Accepted on');
    await phone.reload();
    await seeText(phone, 'Agreed to so far');
    await context.close();
  });
  test('opens nothing beside, whoever tries', async () => {
    const one = visitor();
    const at = `/api/v1${outside()}`;
    const { rows } = await app.database.pool.query<{ id: string; chosen: boolean }>(
      `select id::text, id::text in (select jsonb_array_elements_text(body->'photos') from entries where kind = 'owner-link') as chosen
       from photos where job_id = (select id from jobs where ticket = 'LL-203')`,
    );
    const status = async (method: string, path: string, body?: object) => (await one.ask(method, path, body)).status;
    for (const { id, chosen } of rows) expect(await status('GET', `${at}/photos/${id}`)).toBe(chosen ? 200 : 404);
    // Not signed yet: there is no record to take home.
    expect(await status('GET', `${at}/record.pdf`)).toBe(404);
    expect(await status('GET', outside().replace('LL-203', 'LL-201'))).toBe(200);
    expect(await (await one.ask('GET', outside().replace('LL-203', 'LL-201'))).text()).toContain(
      'opens nothing any more',
    );
    for (const path of ['/jobs/LL-203', '/', '/shop']) expect(await status('GET', path)).toBe(303);
    for (const path of [`/api/v1/jobs/LL-203/export`, '/api/v1/jobs/LL-203/photos/x', '/api/v1/shop'])
      expect(await status('GET', path)).toBe(401);
    const answer = { id: 'x', estimate: 'y', answer: 'accepted', by: 'somebody' };
    expect(await status('POST', `${at}/answer`, answer)).toBe(404);
    for (const bad of [
      {},
      { ...answer, answer: 'changed' },
      { ...answer, by: '' },
      { ...answer, by: 'a\u0000' },
      { ...answer, note: 7 },
    ])
      expect(await status('POST', `${at}/answer`, bad)).toBe(400);
  });
  test('an answer is given once; the same sent again is the same', async () => {
    const one = visitor();
    // The name is sealed in the logbook: whoever works here reads it.
    const read = await (await signedIn(owner.name)).ask('GET', '/api/v1/jobs/LL-203/entries');
    const { entries } = (await read.json()) as {
      entries: { id: string; kind: string; body: Record<string, string> }[];
    };
    const agreed = entries.find(({ kind }) => kind === 'agreement');
    const { estimate, by, answer } = agreed?.body ?? {};
    const said = { id: agreed?.id, estimate, by, answer };
    expect(said.answer).toBe('accepted');
    const again = await one.ask('POST', `/api/v1${outside()}/answer`, said);
    expect(again.status).toBe(200);
    const other = await one.ask('POST', `/api/v1${outside()}/answer`, {
      ...said,
      id: '00000000-0000-4000-8000-00000000beef',
      answer: 'refused',
    });
    expect(other.status).toBe(409);
  });
  test('taken back, it opens nothing from that moment', async () => {
    await press(page, 'Take it back');
    await until(page, () => !document.body.innerText.includes('A link opens until'));
    const one = visitor();
    for (const end = Date.now() + patience; Date.now() < end; await new Promise((next) => setTimeout(next, 50)))
      if ((await (await one.ask('GET', outside())).text()).includes('opens nothing any more')) break;
    expect(await (await one.ask('GET', outside())).text()).toContain('opens nothing any more');
    const { rows } = await app.database.pool.query<{ id: string }>(
      "select id::text from photos where job_id = (select id from jobs where ticket = 'LL-203') limit 1",
    );
    expect((await one.ask('GET', `/api/v1${outside()}/photos/${rows[0]?.id}`)).status).toBe(404);
  });
});

describe('every address and every role', () => {
  const addresses = routes
    .flatMap(({ address, methods }) =>
      methods.map((method) => [method, address.replace(/\[\w+\]/g, 'LL-999')] as const),
    )
    // Answered by themselves, for everybody.
    .filter(([, address]) => address !== '/api/health');
  const stopped = (status: number) => status === 401 || status === 403 || status === 303;
  test.each([null, ...roles])('%s', async (role) => {
    const name = role === 'owner' ? owner.name : hands.find((each) => each.role === role)?.name;
    const one = name === undefined ? visitor() : await signedIn(name);
    const asker: Asker | null = role && { id: role, name: name ?? '', role };
    const wrong: unknown[] = [];
    for (const [method, address] of addresses) {
      // Every one of them is asked in turn: many a second, and the door says that this is no hand.
      const answer = await one.ask(method, address, method === 'GET' ? undefined : {});
      await answer.arrayBuffer();
      const expected = admit(method, address, asker, 'shut') !== 'in';
      if (stopped(answer.status) !== expected) wrong.push([method, address, answer.status, expected]);
    }
    expect(wrong).toEqual([]);
  });
  test('headers by which the door speaks to the pages behind it are nobody else’s', async () => {
    const forged = Buffer.from(JSON.stringify({ id: 'x', name: 'x', role: 'owner' })).toString('base64url');
    const headers = { 'x-holotonos-asker': forged, 'x-holotonos-keeping': 'open' };
    for (const path of ['/jobs/LL-201', '/api/v1/jobs/LL-201/export', '/shop/keys'])
      expect([303, 401]).toContain((await fetch(`${app.address}${path}`, { headers, redirect: 'manual' })).status);
    const juno = await signedIn('Juno Tam');
    const cookie = [...juno.jar].map(([key, value]) => `${key}=${value}`).join('; ');
    const answer = await fetch(`${app.address}/api/v1/jobs/LL-201/export`, { headers: { ...headers, cookie } });
    expect(answer.status).toBe(403);
  });
});

describe('the door', () => {
  test('a server that others can reach does not open by itself, and knows no keys of a demo', async () => {
    const server = await startServer(app.database.webUrl, { names: 'shop.example' });
    try {
      const stranger = visitor(server.address);
      const sent = await stranger.ask('GET', '/jobs/LL-201');
      expect([sent.status, sent.headers.get('strict-transport-security')]).toEqual([303, 'max-age=31536000']);
      const come = await stranger.ask('POST', '/api/auth/sign-in/email', {
        email: owner.email,
        password: owner.password,
      });
      expect(come.status).toBe(200);
      // Only over https does a browser carry it on.
      expect(come.headers.getSetCookie().join()).toMatch(/__Secure-holotonos\.session_token=.*Secure/i);
    } finally {
      server.process.kill();
    }
  });
  test('wrong passwords are counted by where they come from', async () => {
    const statuses: number[] = [];
    for (let n = 0; n < 12; n += 1)
      statuses.push(
        (await visitor().ask('POST', '/api/auth/sign-in/email', { email: owner.email, password: 'not that one' }))
          .status,
      );
    expect(new Set(statuses)).toEqual(new Set([401, 429]));
    expect(statuses.at(-1)).toBe(429);
  });
  test('what a page does not say back of what its browser carries is not written; the browser is given it for the next try', async () => {
    // Wrong passwords were counted before.
    await app.database.pool.query('delete from rate_limits');
    const juno = await signedIn('Juno Tam');
    const write = (more: Record<string, string> = {}) => juno.ask('POST', '/api/v1/jobs/LL-201/entries', {}, more);
    expect((await write()).status).toBe(400);
    for (const said of ['', 'another-token-of-thirty-two-signs', 'b'.repeat(32)]) {
      const answer = await write({ 'x-holotonos-token': said });
      expect([said, answer.status]).toEqual([said, 428]);
    }
    juno.jar.delete('holotonos.token');
    const given = await write();
    expect([given.status, given.headers.getSetCookie().join()]).toEqual([
      428,
      expect.stringMatching(/^holotonos\.token=[\w-]{32}; Path=\/; SameSite=Strict/),
    ]);
    expect((await write({ 'x-holotonos-token': juno.jar.get('holotonos.token') ?? '' })).status).toBe(400);
  });
  test('what one writes, and what all of a shop write together, is counted; after a while it goes on', async () => {
    const juno = await signedIn('Juno Tam');
    const write = () => juno.ask('POST', '/api/v1/jobs/LL-201/entries', {});
    const { pool } = app.database;
    const full = (key: string) =>
      pool.query(
        `insert into rate_limits (id, key, count, last_request) values ($1, $1, 6000, $2)
         on conflict (key) do update set count = 6000, last_request = $2`,
        [key, Date.now()],
      );
    // What is sent is looked at, and is no entry.
    expect((await write()).status).toBe(400);
    for (const key of ['writes of the shop', `write of ${await idOf('Juno Tam')}`]) {
      await full(key);
      const stopped = await write();
      expect([key, stopped.status, Number(stopped.headers.get('retry-after')) > 50]).toEqual([key, 429, true]);
      // Whoever only looks is not kept from it.
      expect((await juno.ask('GET', '/api/v1/jobs/LL-201/entries')).status).toBe(200);
      await pool.query('delete from rate_limits where key = $1', [key]);
    }
    expect((await write()).status).toBe(400);
  });
  test('what the library could do beside is not there', async () => {
    const one = visitor();
    for (const path of [
      '/sign-up/email',
      '/update-user',
      '/list-sessions',
      '/delete-user',
      '/ok',
      '/error',
      '/reset-password',
    ])
      expect([path, (await one.ask('POST', `/api/auth${path}`, {})).status]).toEqual([path, 404]);
  });
  test('nothing that axe can find, in both lights and on a phone', async () => {
    for (const path of ['/sign-in', '/shop/keys']) {
      await page.goto(`${app.address}${path}`);
      await until(page, () => !document.body.innerText.includes('Asking the door'));
      expect([path, await axeProblems(page)]).toEqual([path, []]);
      await page.keyboard.press('`');
      expect([path, await axeProblems(page)]).toEqual([path, []]);
      await page.keyboard.press('`');
    }
    await page.setViewport({ width: 390, height: 844 });
    await page.goto(`${app.address}/sign-in`);
    await until(page, () => document.querySelector('.takers button'));
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
    expect(complaints).toEqual([]);
  });
});
