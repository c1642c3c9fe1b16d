import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { inTurn, receive } from '../src/server/largeFiles';

let spool = '';
beforeAll(() => {
  spool = mkdtempSync(join(tmpdir(), 'holotonos-spool-'));
  process.env.HOLOTONOS_SPOOL = spool;
});
afterAll(() => {
  delete process.env.HOLOTONOS_SPOOL;
  rmSync(spool, { recursive: true, force: true });
});

const sent = (body: RequestInit['body'], path = '/api/v1/jobs/LL-201/readings') =>
  new Request(`http://127.0.0.1:4600${path}`, { method: 'POST', body, duplex: 'half' } as RequestInit);
const piecesOf = (...pieces: Uint8Array[]) =>
  new ReadableStream<Uint8Array>({
    start(controller) {
      for (const piece of pieces) controller.enqueue(piece);
      controller.close();
    },
  });

describe('a large file comes in', () => {
  test('whole, is read as often as is wanted, and leaves nothing on the disk', async () => {
    const all = Buffer.from(Array.from({ length: 200_000 }, (_, i) => i % 251));
    const received = await receive(sent(piecesOf(all.subarray(0, 7), all.subarray(7, 70_000), all.subarray(70_000))));
    if (!received.ok) throw new Error('refused');
    expect(readdirSync(spool)).toEqual([]);
    for (let time = 0; time < 2; time += 1) {
      const pieces: Uint8Array[] = [];
      for await (const piece of received.file.pieces()) pieces.push(piece);
      expect(Buffer.concat(pieces).equals(all)).toBe(true);
    }
    expect((await received.file.bytes()).equals(all)).toBe(true);
    await received.file.release();
    await received.file.release();
    await expect(received.file.bytes()).rejects.toThrow();
  });
  test('or is none at all', async () => {
    const received = await receive(sent(null));
    if (!received.ok) throw new Error('refused');
    expect((await received.file.bytes()).length).toBe(0);
    await received.file.release();
  });
  test('or is refused as soon as it is more than its address takes, whatever it said', async () => {
    let pulled = 0;
    const endless = new ReadableStream<Uint8Array>({
      pull(controller) {
        pulled += 1;
        controller.enqueue(new Uint8Array(64 * 1024));
      },
    });
    const received = await receive(sent(endless, '/api/v1/shop'));
    expect(received.ok ? 0 : received.response.status).toBe(413);
    expect(pulled).toBeLessThan(8);
  });
  test('or breaks off, and its place is free again', async () => {
    for (let time = 0; time < 40; time += 1) {
      const broken = new ReadableStream<Uint8Array>({ pull: (controller) => controller.error(new Error('gone')) });
      await expect(receive(sent(broken))).rejects.toThrow('gone');
    }
  });
  test('no more than 32 at once: the next is told to come again', async () => {
    const taken = await Promise.all(Array.from({ length: 32 }, () => receive(sent('x'))));
    const more = await receive(sent('x'));
    expect(more.ok ? 0 : more.response.status).toBe(429);
    for (const each of taken) if (each.ok) await each.file.release();
    const again = await receive(sent('x'));
    expect(again.ok).toBe(true);
    if (again.ok) await again.file.release();
  });
});

describe('large files go one after the other', () => {
  const gate = () => {
    let open = () => undefined as void;
    const opened = new Promise<void>((done) => (open = done));
    return { open, opened };
  };
  const settle = () => new Promise((done) => setTimeout(done, 10));

  test('in the order they came, each told its place as it changes', async () => {
    const gates = [gate(), gate(), gate()];
    const order: string[] = [];
    const places: number[][] = [[], [], []];
    const done = gates.map(({ opened }, i) =>
      inTurn(
        async () => {
          order.push(`begin ${i}`);
          await opened;
          order.push(`end ${i}`);
          return i;
        },
        { onPlace: (place) => void places[i]?.push(place) },
      ),
    );
    await settle();
    expect(order).toEqual(['begin 0']);
    gates[1]?.open();
    gates[2]?.open();
    await settle();
    expect(order).toEqual(['begin 0']);
    gates[0]?.open();
    expect(await Promise.all(done)).toEqual([0, 1, 2]);
    expect(order).toEqual(['begin 0', 'end 0', 'begin 1', 'end 1', 'begin 2', 'end 2']);
    expect(places).toEqual([[0], [1, 0], [2, 1, 0]]);
  });
  test('one that gives up is not begun, and the others move up', async () => {
    const first = gate();
    const stop = new AbortController();
    const began: string[] = [];
    const places: number[] = [];
    const running = inTurn(() => first.opened);
    const given = inTurn(async () => void began.push('given up'), { signal: stop.signal });
    const after = inTurn(async () => void began.push('after'), { onPlace: (place) => void places.push(place) });
    const refused = expect(given).rejects.toThrow();
    await settle();
    stop.abort();
    await refused;
    first.open();
    await Promise.all([running, after]);
    expect(began).toEqual(['after']);
    expect(places).toEqual([2, 1, 0]);
  });
  test('one that fails holds nobody up', async () => {
    await expect(inTurn(() => Promise.reject(new Error('bad')))).rejects.toThrow('bad');
    expect(await inTurn(() => Promise.resolve(7))).toBe(7);
  });
});
