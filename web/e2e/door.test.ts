import { afterAll, beforeAll, describe, expect, jest, test } from '@jest/globals';
import { randomUUID } from 'node:crypto';
import { connect } from 'node:net';
import { ask } from '../tests/badRequests';
import { send, startApp, type App } from './app';

jest.setTimeout(180_000);

let app: App;
beforeAll(async () => {
  app = await startApp();
});
afterAll(() => app.close());

const note = () => ({
  id: randomUUID(),
  kind: 'note',
  body: { text: 'x' },
  author: 'Juno Tam',
  benchTime: new Date().toISOString(),
});
const entriesAddress = '/api/v1/jobs/LL-203/entries';
const stored = async (id: string) => {
  const { rows } = await app.database.pool.query('select 1 from entries where id = $1', [id]);
  return rows.length > 0;
};
const writing = async (headers: Record<string, string>) => {
  const entry = note();
  const { status } = await ask(
    app.address,
    { method: 'POST', path: entriesAddress, headers, body: JSON.stringify(entry) },
    20_000,
  );
  return { status, stored: await stored(entry.id) };
};
const json = { 'content-type': 'application/json' };

describe('who may speak', () => {
  test('a page under another name that points here reads nothing and writes nothing', async () => {
    const read = await ask(
      app.address,
      { method: 'GET', path: '/jobs/LL-201', headers: { host: 'rebound.example' } },
      20_000,
    );
    expect(read.status).toBe(421);
    expect(read.text).not.toMatch(/LL-201/);
    expect(await writing({ ...json, host: 'rebound.example' })).toEqual({ status: 421, stored: false });
  });
  test('a page of another site writes nothing, over plain http and as plain text too', async () => {
    const { host } = new URL(app.address);
    expect(await writing({ ...json, origin: 'http://elsewhere.example' })).toEqual({ status: 403, stored: false });
    expect(await writing({ 'content-type': 'text/plain', 'origin': 'http://elsewhere.example' })).toEqual({
      status: 403,
      stored: false,
    });
    expect(await writing({ 'content-type': 'text/plain' })).toEqual({ status: 415, stored: false });
    expect(await writing({})).toEqual({ status: 415, stored: false });
    expect(await writing({ ...json, origin: `http://${host}` })).toEqual({ status: 201, stored: true });
    expect(await writing(json)).toEqual({ status: 201, stored: true });
  });
  test('a page runs only scripts that carry the number of their own answer, new each time', async () => {
    const numbers = await Promise.all(
      [1, 2].map(async () => {
        const answer = await fetch(`${app.address}/jobs/LL-201`);
        const number = /'nonce-([^']+)'/.exec(answer.headers.get('content-security-policy') ?? '')?.[1];
        const scripts = (await answer.text()).match(/<script[^>]*>/g) ?? [];
        expect(scripts.length).toBeGreaterThan(2);
        expect(scripts.filter((tag) => !tag.includes(`nonce="${number}"`))).toEqual([]);
        return number;
      }),
    );
    expect(new Set(numbers).size).toBe(2);
    const page = await app.page();
    await page.goto(`${app.address}/jobs/LL-201`);
    const ran = await page.evaluate(async () => {
      const script = document.createElement('script');
      script.textContent = 'window.ranHere = true';
      document.body.append(script);
      const image = document.createElement('img');
      image.setAttribute('onerror', 'window.ranHere = true');
      image.src = 'data:,';
      document.body.append(image);
      await new Promise((wait) => setTimeout(wait, 300));
      return 'ranHere' in window;
    });
    expect(ran).toBe(false);
    await page.close();
  });
  test('every answer is guarded: pages, data, refusals, what is not there', async () => {
    for (const path of ['/', '/api/health', '/nowhere', '/jobs/%zz', '/api/v1/jobs/LL-201/export']) {
      const { headers } = await fetch(`${app.address}${path}`);
      expect([path, headers.get('cross-origin-resource-policy'), headers.get('cross-origin-opener-policy')]).toEqual([
        path,
        'same-origin',
        'same-origin',
      ]);
      expect(headers.get('permissions-policy')).toMatch(/geolocation=\(\)/);
      expect(headers.get('x-content-type-options')).toBe('nosniff');
    }
  });
});

describe('work that is too much', () => {
  test('a question that takes seconds keeps nobody waiting', async () => {
    const tasks = Array.from({ length: 2000 }, (_, i) => ({
      id: `t${i}`,
      attended: 1 + (i % 30),
      unattended: (i % 5) * 100,
      after: [],
      piece: `p${i % 3}`,
      resource: 'r',
    }));
    const question = { tasks, resources: { r: 1 }, calendar: null };
    let done = false;
    const long = send(`${app.address}/api/v1/solve/schedule`, question).then((answer) => {
      done = true;
      return answer.status;
    });
    let answered = 0;
    while (!done) {
      expect((await fetch(`${app.address}/api/health`)).status).toBe(200);
      answered += 1;
      await new Promise((wait) => setTimeout(wait, 20));
    }
    expect(await long).toBe(200);
    // On this very thread the first would have waited for the whole of it.
    expect(answered).toBeGreaterThan(5);
  });
  test('a week of one open minute is answered with its reason', async () => {
    const calendar = {
      start: '2026-11-23T08:00:00Z',
      timeZone: 'Europe/Berlin',
      week: { mon: [['09:00', '09:01']] },
      closed: [],
    };
    const tasks = [{ id: 'a', attended: 1e5, unattended: 0, after: [] }];
    const answer = await send(`${app.address}/api/v1/solve/schedule`, { tasks, resources: {}, calendar });
    expect([answer.status, await answer.json()]).toEqual([
      422,
      { error: 'unsolvable', message: expect.stringMatching(/before the year 2100/) },
    ]);
  });
  test('a body that is too large is refused before it is sent', async () => {
    const { hostname, port } = new URL(app.address);
    const socket = connect({ host: hostname, port: Number(port) });
    let answer = '';
    socket.on('data', (piece) => (answer += String(piece)));
    socket.write(
      `POST /api/v1/import HTTP/1.1\r\nHost: ${hostname}:${port}\r\nContent-Type: application/json\r\nContent-Length: 999999999\r\n\r\n{`,
    );
    for (let tries = 0; tries < 200 && answer === ''; tries += 1) await new Promise((wait) => setTimeout(wait, 50));
    socket.destroy();
    expect(answer).toMatch(/^HTTP\/1\.1 413 /);
    expect(answer).toMatch(/128 MB at most can be taken here/);
  });
  test('twenty files at once: all are taken, each hears its place, and single entries go between', async () => {
    const header = 'entry,group,part,measure,clock (deg),value (mm),gauge,gauge resolution (mm),gauge max error (mm)';
    const file = () =>
      [
        header,
        ...Array.from({ length: 400 }, (_, i) => `${randomUUID()},pad,low-f,gap,${(i % 8) * 45},0.02,f,0.01,0.004`),
      ].join('\n');
    const imports = Array.from({ length: 20 }, async () => {
      const answer = await fetch(`${app.address}/api/v1/jobs/LL-204/readings`, {
        method: 'POST',
        headers: { 'Content-Type': 'text/csv', 'Accept': 'application/x-ndjson' },
        body: file(),
      });
      const lines = (await answer.text()).trim().split('\n');
      return lines.map(
        (line) => JSON.parse(line) as { doing?: string; place?: number; status?: string; added?: number },
      );
    });
    const singles = await Promise.all(
      Array.from({ length: 10 }, async () => (await send(`${app.address}${entriesAddress}`, note())).status),
    );
    expect(singles).toEqual(Array(10).fill(201));
    const outcomes = await Promise.all(imports);
    expect(outcomes.map((lines) => lines.at(-1))).toEqual(
      Array(20).fill(expect.objectContaining({ status: 'stored', added: 400 })),
    );
    const waited = outcomes.filter((lines) => lines.some(({ doing }) => doing === 'waiting'));
    expect(waited.length).toBeGreaterThan(10);
    for (const lines of waited) {
      const places = lines.flatMap(({ place = null }) => (place === null ? [] : [place]));
      expect(places).toEqual([...places].sort((a, b) => b - a));
    }
  });
});
