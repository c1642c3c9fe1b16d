import { afterAll, describe, expect, test } from '@jest/globals';
import { randomUUID } from 'node:crypto';
import sharp from 'sharp';
import { GET as events } from '../src/app/api/v1/events/route';
import * as photos from '../src/app/api/v1/jobs/[ticket]/photos/[id]/route';
import * as readings from '../src/app/api/v1/jobs/[ticket]/readings/route';
import * as items from '../src/app/api/v1/stock/items.csv/route';
import { webDatabase } from './demo';

webDatabase({ demo: true });
afterAll(async () => {
  const { holotonosPulse } = globalThis as { holotonosPulse?: { close: () => Promise<void> } };
  await holotonosPulse?.close();
});

const request = (path: string, more: RequestInit = {}) => new Request(`http://127.0.0.1${path}`, more);
const job = { params: Promise.resolve({ ticket: 'LL-201' }) };
const fileOf = (answer: Response) => [
  answer.status,
  answer.headers.get('content-type'),
  /filename="([^"]*)"/.exec(answer.headers.get('content-disposition') ?? '')?.[1],
];
const json = async (answer: Response) => ({ status: answer.status, body: (await answer.json()) as object });

describe('readings', () => {
  const file = () => readings.GET(request('/?group=rim'), job);
  const send = (query: string, body: string) =>
    readings.POST(request(`/api/v1/jobs/LL-201/readings?author=Juno${query}`, { method: 'POST', body }), job);
  test('of one group come under its name, of all under theirs', async () => {
    expect(fileOf(await file())).toEqual([200, 'text/csv; charset=utf-8', 'LL-201-rim.csv']);
    expect(fileOf(await readings.GET(request('/'), job))[2]).toBe('LL-201-readings.csv');
  });
  test('are taken as the sender says they are written', async () => {
    const plain = (await (await file()).text()).split('\r\n');
    const rows = plain.length - 2;
    const known = (rows: number) => ({ status: 200, body: { added: 0, known: rows } });
    expect(await json(await send('&delimiter=,&decimal=.', plain.join('\r\n')))).toMatchObject(known(rows));
    expect(await json(await send('', plain.join('\r\n')))).toMatchObject(known(rows));
  });
  test.each([
    ['&delimiter=x&decimal=.', /delimiter must be/],
    ['&decimal=.', /delimiter must be/],
    ['&delimiter=;', /decimal must be/],
    ['&delimiter=;&decimal=x', /decimal must be/],
  ])('a way to write them that is none is named: %s', async (query, words) => {
    const { status, body } = await json(await send(query, 'group\r\n'));
    expect([status, JSON.stringify(body)]).toEqual([400, expect.stringMatching(words)]);
  });
});

test('a picture is kept once, comes whole or small as JPEG, and never changes under its id', async () => {
  const id = randomUUID();
  const of = { params: Promise.resolve({ ticket: 'LL-201', id }) };
  const picture = (background: string) =>
    sharp({ create: { width: 900, height: 600, channels: 3, background } })
      .jpeg()
      .toBuffer();
  const put = async (bytes: Buffer | string) =>
    json(await photos.PUT(request(`/api/v1/jobs/LL-201/photos/${id}`, { method: 'PUT', body: bytes as BodyInit }), of));
  const brown = await picture('#887766');
  expect(await put(brown)).toEqual({ status: 201, body: { photo: id, width: 900, height: 600 } });
  expect((await put(brown)).status).toBe(201);
  expect((await put(await picture('#112233'))).status).toBe(409);
  const [whole, small] = [await photos.GET(request('/'), of), await photos.GET(request('/?size=thumbnail'), of)];
  const headers = ['image/jpeg', 'private, max-age=31536000, immutable'];
  for (const each of [whole, small])
    expect([each.headers.get('content-type'), each.headers.get('cache-control')]).toEqual(headers);
  const width = async (answer: Response) => (await sharp(Buffer.from(await answer.arrayBuffer())).metadata()).width;
  expect([await width(whole), await width(small)]).toEqual([900, 320]);
  expect((await put('no picture')).status).toBe(400);
});

test('what lies in the drawers goes out as a file and comes back; a fault is named by its line', async () => {
  const out = await items.GET();
  expect(fileOf(out)).toEqual([200, 'text/csv; charset=utf-8', 'stock.csv']);
  const text = await out.text();
  const send = async (body: string) =>
    json(await items.POST(request('/api/v1/stock/items.csv?author=Juno', { method: 'POST', body })));
  expect((await send(text)).status).toBe(200);
  const bad = `${text.split('\r\n')[0] ?? ''}\r\nnonsense\r\n`;
  const { status, body } = await send(bad);
  expect([status, JSON.stringify(body)]).toEqual([400, expect.stringMatching(/line 2/)]);
});

test('the stream of what happens says at once that it stands', async () => {
  const stop = new AbortController();
  const answer = await events(request('/api/v1/events', { signal: stop.signal }));
  const reader = answer.body?.getReader();
  const first = await reader?.read();
  expect(new TextDecoder().decode(first?.value)).toMatch(/^event: ready\n/);
  stop.abort();
  await reader?.cancel().catch(() => undefined);
});
