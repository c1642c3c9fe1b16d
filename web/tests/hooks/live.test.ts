/** @jest-environment jsdom */
import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals';

class FakeSource {
  static all: FakeSource[] = [];
  static readonly CLOSED = 2;
  readyState = 1;
  private readonly heard = new Map<string, ((message: { data: string }) => void)[]>();
  constructor(readonly url: string) {
    FakeSource.all.push(this);
  }
  addEventListener(name: string, listener: (message: { data: string }) => void) {
    this.heard.set(name, [...(this.heard.get(name) ?? []), listener]);
  }
  tell(name: string, data: unknown = {}) {
    for (const listener of this.heard.get(name) ?? []) listener({ data: JSON.stringify(data) });
  }
  close() {
    this.readyState = FakeSource.CLOSED;
  }
}

/** The channel between the tabs of a browser: everybody hears it but who speaks. */
class FakeChannel {
  static all: FakeChannel[] = [];
  said: unknown[] = [];
  private listener: (message: { data: unknown }) => void = () => undefined;
  constructor(readonly name: string) {
    FakeChannel.all.push(this);
  }
  addEventListener(_: string, listener: (message: { data: unknown }) => void) {
    this.listener = listener;
  }
  postMessage(data: unknown) {
    this.said.push(data);
  }
  hears(data: unknown) {
    this.listener({ data });
  }
}

type Granted = () => Promise<void>;
let grant: Granted | null = null;
const state = { connected: 1, places: 1, taken: 0, bad: 0, flooded: 0, lastProblem: '' };

async function tab({ locks = true } = {}) {
  jest.resetModules();
  FakeSource.all = [];
  FakeChannel.all = [];
  grant = null;
  Object.assign(globalThis, { EventSource: FakeSource, BroadcastChannel: FakeChannel });
  if (locks)
    Object.defineProperty(navigator, 'locks', {
      configurable: true,
      value: { request: (_: string, granted: Granted) => ((grant = granted), Promise.resolve()) },
    });
  else Reflect.deleteProperty(navigator, 'locks');
  const { listenLive } = await import('../../src/live/live');
  const heard: unknown[] = [];
  const stop = listenLive((event) => heard.push(event));
  return { listenLive, heard, stop, source: () => FakeSource.all.at(-1), channel: () => FakeChannel.all[0] };
}
beforeEach(() => {
  jest.useFakeTimers();
});
afterEach(() => {
  jest.useRealTimers();
});

describe('the tab that leads', () => {
  test('has the one stream, hears it and passes it on', async () => {
    const { heard, source, channel } = await tab();
    expect(FakeSource.all).toEqual([]);
    expect(channel()?.said).toEqual(['new here']);
    void grant?.();
    expect(FakeSource.all.map(({ url }) => url)).toEqual(['/api/v1/events']);
    source()?.tell('ready');
    source()?.tell('entry', { ticket: 'LL-1' });
    const events = [
      { event: 'ready', data: {} },
      { event: 'entry', data: { ticket: 'LL-1' } },
    ];
    expect(heard).toEqual(events);
    expect(channel()?.said.slice(1)).toEqual(events);
  });
  test('tells who comes later what it would have heard at the opening', async () => {
    const { source, channel } = await tab();
    void grant?.();
    channel()?.hears('new here');
    expect(channel()?.said.slice(1)).toEqual([{ event: 'ready' }]);
    source()?.tell('state', state);
    channel()?.hears('new here');
    expect(channel()?.said.slice(-2)).toEqual([{ event: 'ready' }, { event: 'state', data: state }]);
  });
  test('closes the stream and lets the lock go when the page is left', async () => {
    const { source } = await tab();
    let released = false;
    void grant?.().then(() => (released = true));
    window.dispatchEvent(new Event('pagehide'));
    await Promise.resolve();
    await Promise.resolve();
    expect([released, source()?.readyState]).toEqual([true, FakeSource.CLOSED]);
  });
  test('asks again after a while when it is refused, but not when the browser does so itself, nor when it is left', async () => {
    const { source } = await tab();
    void grant?.();
    source()?.tell('error');
    jest.advanceTimersByTime(10_000);
    expect(FakeSource.all).toHaveLength(1);
    source()?.close();
    source()?.tell('error');
    jest.advanceTimersByTime(1999);
    expect(FakeSource.all).toHaveLength(1);
    jest.advanceTimersByTime(1);
    expect(FakeSource.all).toHaveLength(2);
    window.dispatchEvent(new Event('pagehide'));
    source()?.tell('error');
    jest.advanceTimersByTime(10_000);
    expect(FakeSource.all).toHaveLength(2);
  });
});

describe('a tab that follows', () => {
  test('hears what the leading one passes on, and has no stream', async () => {
    const { heard, channel } = await tab();
    channel()?.hears({ event: 'shop' });
    channel()?.hears('new here');
    expect(heard).toEqual([{ event: 'shop' }]);
    expect(FakeSource.all).toEqual([]);
    expect(channel()?.said).toEqual(['new here']);
  });
});

test('without locks each tab has a stream of its own', async () => {
  const { heard, source } = await tab({ locks: false });
  expect(FakeChannel.all).toEqual([]);
  source()?.tell('shop');
  expect(heard).toEqual([{ event: 'shop', data: {} }]);
});

test('whoever listens later is told at once who is connected; whoever stopped hears no more', async () => {
  const { listenLive, heard, stop, source } = await tab({ locks: false });
  source()?.tell('state', state);
  const later: unknown[] = [];
  listenLive((event) => later.push(event));
  expect(later).toEqual([{ event: 'state', data: state }]);
  stop();
  source()?.tell('shop');
  expect([heard.length, later.length]).toEqual([1, 2]);
  expect(FakeSource.all).toHaveLength(1);
});
