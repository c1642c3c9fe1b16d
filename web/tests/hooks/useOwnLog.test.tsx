/** @jest-environment jsdom */
import 'fake-indexeddb/auto';
import { afterEach, beforeEach, describe, expect, test } from '@jest/globals';
import { act, cleanup, renderHook, waitFor } from '@testing-library/react';
import type { ReactNode } from 'react';
import { BenchProvider } from '../../src/frame/BenchContext';
import type { AnyNew } from '../../src/outbox/entryQueue';
import { queueOfOwn, type OwnLogAddress } from '../../src/outbox/queues';
import { useOwnLog, useOwnWrite, type OwnLog } from '../../src/shop/useOwnLog';
import { answered, fetchDouble } from './bench';

/** The stream of a page: the test tells what it tells. */
class Stream {
  static newest: Stream;
  #heard = new Map<string, ((message: { data: string }) => void)[]>();
  constructor() {
    Stream.newest = this;
  }
  addEventListener = (name: string, listener: (message: { data: string }) => void) =>
    this.#heard.set(name, [...(this.#heard.get(name) ?? []), listener]);
  close = () => undefined;
  tell = (name: string) => this.#heard.get(name)?.forEach((listener) => listener({ data: '{}' }));
}
Object.assign(globalThis, {
  EventSource: Stream,
  structuredClone: (value: unknown) => JSON.parse(JSON.stringify(value)),
});
const real = globalThis.fetch;
beforeEach(() => localStorage.setItem('holotonos-author', 'Juno Tam'));
afterEach(() => {
  cleanup();
  globalThis.fetch = real;
});

interface State {
  n: number;
  waits?: unknown[];
}
const parts = {
  problems: () => [],
  withWaiting: ({ n }: State, waiting: readonly AnyNew[]) => ({ n, waits: waiting.map(({ body }) => body) }),
  words: () => [],
};
let logs = 0;
/** Each test writes into a logbook of its own: queues of a tab outlive its pages. */
const logOf = (more: Partial<OwnLog<State>> = {}): OwnLog<State> => ({
  address: `/api/v1/log-${(logs += 1)}` as OwnLogAddress,
  event: 'stock',
  parts: () => Promise.resolve(parts),
  ...more,
});
type Answer = () => Response | Promise<Response>;
const open = (answers: Answer[], log = logOf()) => {
  const { asked, double } = fetchDouble(() => (answers.shift() ?? (() => answered(201, { n: 0 })))());
  globalThis.fetch = double;
  const frame = ({ children }: { children: ReactNode }) => <BenchProvider zone="UTC">{children}</BenchProvider>;
  const { result } = renderHook(() => useOwnLog<State>({ n: 0 }, log), { wrapper: frame });
  const write = async (kind: string, body: object) => {
    let said: string | null = 'nothing said';
    await act(async () => void (said = await result.current.write(kind, body)));
    return said as string | null;
  };
  const posts = () => asked.filter(({ init }) => init?.method === 'POST');
  const sent = () => posts().map(({ init }) => JSON.parse(String(init?.body)) as AnyNew);
  const fetched = () => asked.length - posts().length;
  const queue = queueOfOwn<State>(log.address);
  const settled = (isSo: () => boolean) => waitFor(() => expect(isSo()).toBe(true), { timeout: 5000 });
  return { result, write, sent, fetched, queue, settled };
};
const gone: Answer = () => Promise.reject(new TypeError('the connection broke'));
const take = { item: 'pads', count: -2 };

describe('what is written into a logbook of the shop', () => {
  test('stands in what the server answers', async () => {
    const { result, write, sent } = open([() => answered(201, { n: 7 })]);
    expect(await write('move', take)).toBeNull();
    expect(result.current.state).toEqual({ n: 7 });
    expect(sent()).toMatchObject([{ kind: 'move', body: take, author: 'Juno Tam' }]);
  });
  test.each<[string, Answer]>([
    ['no answer', gone],
    ['an answer that breaks off', () => ({ ok: true, status: 201, json: gone }) as unknown as Response],
    ['a fault', () => answered(503, { message: 'The database does not answer.' })],
    ['nobody signed in', () => answered(401, { message: 'Nobody is signed in here.' })],
  ])(
    'after %s waits, is shown meanwhile, and is sent again as the same entry until it is taken',
    async (_, silence) => {
      const { result, write, sent, settled } = open([silence, () => answered(201, { n: 5 })]);
      expect(await write('move', take)).toBeNull();
      await settled(() => result.current.state.waits !== undefined);
      expect(result.current.state).toEqual({ n: 0, waits: [take] });
      // The answer may be shown a moment before the queue has said that nothing waits.
      await waitFor(() => expect(result.current.state).toEqual({ n: 5 }), { timeout: 5000 });
      const [first, second, ...more] = sent();
      expect([second, more]).toEqual([first, []]);
    },
  );
  test('behind something that waits goes after it', async () => {
    let release: (answer: Response) => void = () => undefined;
    const slow = new Promise<Response>((resolve) => (release = resolve));
    const { result, write, sent, settled } = open([gone, () => answered(201, { n: 1 }), () => slow]);
    expect(await write('move', take)).toBeNull();
    expect(await write('count', { item: 'pads', count: 9 })).toBeNull();
    await settled(() => result.current.state.n === 1);
    // One is through, the other still counts: what is shown does not go back and forth.
    expect(result.current.state.waits).toHaveLength(1);
    release(answered(201, { n: 2 }));
    await settled(() => result.current.state.n === 2 && result.current.state.waits === undefined);
    expect(sent().map(({ kind }) => kind)).toEqual(['move', 'move', 'count']);
  });
  test('and refused says why, is kept by its form alone, and sent anew is another entry', async () => {
    const problems = [{ path: '/body/count', message: 'is more than lies there' }];
    const { write, sent, queue } = open([
      () => answered(400, { problems }),
      () => answered(409, { message: 'Says something else.' }),
    ]);
    expect(await write('move', take)).toBe('count is more than lies there');
    expect(await write('move', take)).toBe('Says something else.');
    expect(queue.state).toMatchObject({ waiting: [], aside: [] });
    expect(await write('move', take)).toBeNull();
    expect(new Set(sent().map(({ id }) => id)).size).toBe(3);
  });
  test('that its form does not allow is not sent', async () => {
    const wrong = { ...parts, problems: () => [{ path: '/body/item', message: 'must not be empty' }] };
    const { write, sent } = open([], logOf({ parts: () => Promise.resolve(wrong) }));
    expect(await write('move', {})).toBe('item must not be empty');
    expect(sent()).toEqual([]);
  });
  test('is sent where its forms do not come: the server’s check stands alone', async () => {
    const { result, write, sent } = open(
      [() => answered(201, { n: 3 })],
      logOf({ parts: () => Promise.reject(new Error('no such chunk')) }),
    );
    expect(await write('move', take)).toBeNull();
    expect([result.current.state.n, sent().length]).toEqual([3, 1]);
  });
  test('with a press and refused is set aside for whoever comes by', async () => {
    const { result, queue, settled } = open([() => answered(400, { message: 'No.' })]);
    act(() => result.current.put('move', take));
    await settled(() => queue.state.aside.length === 1);
    expect(queue.state.aside).toMatchObject([{ entry: { kind: 'move', body: take }, problems: [{ message: 'No.' }] }]);
    await queue.letGo(queue.state.aside[0]?.entry.id ?? '');
  });
});

describe('what others write into it', () => {
  test('is fetched when it is told; other logbooks’ news are not', async () => {
    const { result, fetched, settled } = open([() => answered(200, { n: 4 })]);
    act(() => Stream.newest.tell('shop'));
    expect(fetched()).toBe(0);
    act(() => Stream.newest.tell('stock'));
    await settled(() => result.current.state.n === 4);
    expect(fetched()).toBe(1);
  });
  test('while something of ours is under way waits for it: what was taken once is counted once', async () => {
    let take1: (answer: Response) => void = () => undefined;
    const slow = new Promise<Response>((resolve) => (take1 = resolve));
    const { result, fetched, settled, queue } = open([() => slow, () => answered(200, { n: 8 })]);
    act(() => result.current.put('move', take));
    await settled(() => queue.state.waiting.length === 1);
    act(() => Stream.newest.tell('stock'));
    expect([fetched(), result.current.state]).toEqual([0, { n: 0 }]);
    take1(answered(201, { n: 7 }));
    await settled(() => queue.state.waiting.length === 0 && result.current.state.n === 8);
    expect([result.current.state, fetched()]).toEqual([{ n: 8 }, 1]);
  });
  test('before the stream is open, or while it is broken, is fetched once it is there', async () => {
    const { result, fetched, settled } = open([() => answered(200, { n: 0 }), () => answered(200, { n: 6 })]);
    const first = result.current.state;
    act(() => Stream.newest.tell('ready'));
    await settled(() => fetched() === 1);
    // It said nothing new: nothing is drawn anew.
    expect(result.current.state).toBe(first);
    act(() => Stream.newest.tell('error'));
    act(() => Stream.newest.tell('ready'));
    await settled(() => result.current.state.n === 6);
    expect(fetched()).toBe(2);
  });
});

test('whoever only writes is not told what the logbook says, and asks for nothing', async () => {
  const log = logOf();
  const { asked, double } = fetchDouble(() => answered(201, { n: 1 }));
  globalThis.fetch = double;
  const frame = ({ children }: { children: ReactNode }) => <BenchProvider zone="UTC">{children}</BenchProvider>;
  const { result } = renderHook(() => useOwnWrite<State>(log), { wrapper: frame });
  act(() => {
    Stream.newest.tell('ready');
    Stream.newest.tell('stock');
  });
  expect(asked).toEqual([]);
  let said: string | null = 'nothing said';
  await act(async () => void (said = await result.current.write('move', take)));
  expect(said).toBeNull();
  expect(asked.map(({ init }) => init?.method)).toEqual(['POST']);
});
