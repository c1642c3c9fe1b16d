import { afterEach, describe, expect, jest, test } from '@jest/globals';
import { createServer, type Server, type Socket } from 'node:net';
import { lineAdapter } from '../src/server/gaugeAdapter';
import { eventStream } from '../src/server/eventStream';
import { until } from './until';

/** A device that takes connections and keeps what it was told. */
async function device(port = 0) {
  const sockets: Socket[] = [];
  let told = '';
  const server: Server = createServer((socket) => {
    sockets.push(socket);
    socket.setEncoding('utf8');
    socket.on('data', (piece: string) => (told += piece));
    socket.on('error', () => undefined);
  });
  await new Promise<void>((done) => server.listen(port, '127.0.0.1', done));
  return {
    port: (server.address() as { port: number }).port,
    sockets,
    told: () => told,
    say: (text: string) => sockets.at(-1)?.write(text),
    close: async () => {
      for (const socket of sockets) socket.destroy();
      await new Promise((done) => server.close(done));
    },
  };
}
const aim = { token: 't', ticket: 'T-1', type: {}, point: { clock: 45 } } as never;

const closers: (() => unknown)[] = [];
afterEach(async () => {
  for (const close of closers.splice(0)) await close();
});
function listen(port: number) {
  const lines: string[] = [];
  const ups: boolean[] = [];
  const adapter = lineAdapter(`127.0.0.1:${port}`);
  const stop = adapter.open({ onLine: (line) => lines.push(line), onUp: (up) => ups.push(up) });
  closers.push(stop);
  return { adapter, lines, ups, stop };
}

describe('a device that serves lines', () => {
  test('is heard line by line, however the lines are cut; empty ones are none', async () => {
    const there = await device();
    closers.push(there.close);
    const { lines, ups } = listen(there.port);
    await until(() => ups.length === 1 && there.sockets.length === 1);
    there.say('{"a":1}\n{"b"');
    await until(() => lines.length === 1);
    there.say(':2}\r\n\n  \n{"c":3}\n');
    await until(() => lines.length === 3);
    expect(lines).toEqual(['{"a":1}', '{"b":2}', '{"c":3}']);
    expect(ups).toEqual([true]);
  });
  test('is told what is asked, also when it comes back', async () => {
    const first = await device();
    const { adapter, ups } = listen(first.port);
    await until(() => ups.length === 1 && first.sockets.length === 1);
    expect(first.told()).toBe('');
    adapter.aim(aim);
    await until(() => first.told().endsWith('\n'));
    expect(JSON.parse(first.told())).toEqual({ aim });
    await first.close();
    await until(() => ups.at(-1) === false);
    const again = await device(first.port);
    closers.push(again.close);
    await until(() => again.told().endsWith('\n'));
    expect(JSON.parse(again.told())).toEqual({ aim });
    expect([ups[0], ups.at(-1)]).toEqual([true, true]);
  });
  test('that never ends its line is cut short, and heard again after it', async () => {
    const there = await device();
    closers.push(there.close);
    const { lines, ups } = listen(there.port);
    await until(() => ups.length === 1 && there.sockets.length === 1);
    there.say('x'.repeat(8192));
    await new Promise((wait) => setTimeout(wait, 100));
    expect(lines).toEqual([]);
    there.say('y');
    await until(() => lines.length === 1);
    expect(lines[0]?.length).toBe(8192);
    there.say('next\n');
    await until(() => lines.length === 2);
    expect(lines[1]).toBe('next');
  });
  test('that is let go is not dialled again, and says nothing of it', async () => {
    const there = await device();
    closers.push(there.close);
    const { ups, stop, adapter } = listen(there.port);
    await until(() => ups.length === 1 && there.sockets.length === 1);
    stop();
    await until(() => there.sockets[0]?.destroyed === true);
    await new Promise((wait) => setTimeout(wait, 600));
    expect([ups, there.sockets.length]).toEqual([[true], 1]);
    expect(() => adapter.aim(aim)).not.toThrow();
  });
  test('that is not there is dialled until it is', async () => {
    const there = await device();
    await there.close();
    const { ups } = listen(there.port);
    await until(() => ups.length > 0);
    expect(ups).not.toContain(true);
    const back = await device(there.port);
    closers.push(back.close);
    await until(() => ups.at(-1) === true);
  });
});

describe('a stream of events', () => {
  const open = (work: Parameters<typeof eventStream>[1]) => {
    const left = new AbortController();
    const response = eventStream(new Request('http://127.0.0.1/', { signal: left.signal }), work);
    const reader = response.body?.getReader();
    const read = async () => new TextDecoder().decode((await reader?.read())?.value);
    return { response, left, read, cancel: () => reader?.cancel() };
  };
  test('tells events as they come, and ends from this side', async () => {
    let stopped = 0;
    const { response, read } = open(({ send, end }) => {
      send('ready', {});
      send('entry', { ticket: 'T-1' });
      setTimeout(end, 5);
      return () => void (stopped += 1);
    });
    expect(response.headers.get('content-type')).toBe('text/event-stream');
    expect(response.headers.get('cache-control')).toBe('no-store');
    expect(await read()).toBe('event: ready\ndata: {}\n\n');
    expect(await read()).toBe('event: entry\ndata: {"ticket":"T-1"}\n\n');
    expect(await read()).toBe('');
    expect(stopped).toBe(1);
  });
  test('ends after a while, so that the door looks anew who listens', async () => {
    jest.useFakeTimers({ doNotFake: ['queueMicrotask', 'nextTick'] });
    try {
      let stopped = 0;
      const { read } = open(({ send }) => {
        send('ready', {});
        return () => void (stopped += 1);
      });
      await read();
      await jest.advanceTimersByTimeAsync(9 * 60_000);
      expect([stopped, await read()]).toEqual([0, ': still here\n\n']);
      await jest.advanceTimersByTimeAsync(60_000);
      expect(stopped).toBe(1);
    } finally {
      jest.useRealTimers();
    }
  });
  test.each(['left', 'cancel'] as const)(
    'lets go when the page is gone (%s), once, and tells nothing more',
    async (how) => {
      let stopped = 0;
      let tell = () => undefined as void;
      const { read, left, cancel } = open(({ send }) => {
        send('ready', {});
        tell = () => send('late', {});
        return () => void (stopped += 1);
      });
      await read();
      if (how === 'left') left.abort();
      else await cancel();
      await new Promise((wait) => setTimeout(wait, 5));
      expect(stopped).toBe(1);
      expect(tell).not.toThrow();
      left.abort();
      expect(stopped).toBe(1);
    },
  );
  test('whoever is gone before it is open is let go at once', async () => {
    let stopped = 0;
    let opened = () => undefined as void;
    const { left } = open(() => new Promise((done) => (opened = () => done(() => void (stopped += 1)))));
    left.abort();
    expect(stopped).toBe(0);
    opened();
    await new Promise((wait) => setTimeout(wait, 5));
    expect(stopped).toBe(1);
  });
});
