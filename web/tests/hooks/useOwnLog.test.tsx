/** @jest-environment jsdom */
import { afterEach, beforeEach, expect, test } from '@jest/globals';
import { act, cleanup, renderHook } from '@testing-library/react';
import type { ReactNode } from 'react';
import { BenchProvider } from '../../src/frame/BenchContext';
import { useOwnLog, type OwnLog } from '../../src/shop/useOwnLog';
import { answered, fetchDouble } from './bench';

class Silent {
  addEventListener = () => undefined;
  close = () => undefined;
}
Object.assign(globalThis, { EventSource: Silent });
const real = globalThis.fetch;
beforeEach(() => localStorage.setItem('holotonos-author', 'Juno Tam'));
afterEach(() => {
  cleanup();
  globalThis.fetch = real;
});

const log: OwnLog = { address: '/api/v1/stock', event: 'stock', problems: () => Promise.resolve([]) };
const open = (answers: (() => Response | Promise<Response>)[], of = log) => {
  const { asked, double } = fetchDouble(() => (answers.shift() ?? (() => answered(201, { n: 0 })))());
  globalThis.fetch = double;
  const frame = ({ children }: { children: ReactNode }) => <BenchProvider zone="UTC">{children}</BenchProvider>;
  const { result } = renderHook(() => useOwnLog({ n: 0 }, of), { wrapper: frame });
  const write = async (kind: string, body: object) => {
    let said: string | null = 'nothing said';
    await act(async () => void (said = await result.current.write(kind, body)));
    return said as string | null;
  };
  const sent = () => asked.map(({ init }) => JSON.parse(String(init?.body)) as { id: string; benchTime: string });
  return { result, write, sent };
};
const gone = () => Promise.reject(new TypeError('the connection broke'));
const take = { item: 'pads', count: -2 };

test('what is written stands in what the server answers', async () => {
  const { result, write, sent } = open([() => answered(201, { n: 7 })]);
  expect(await write('move', take)).toBeNull();
  expect(result.current.state).toEqual({ n: 7 });
  expect(sent()).toMatchObject([{ kind: 'move', body: take, author: 'Juno Tam' }]);
});
test.each([
  ['no answer', gone],
  ['an answer that breaks off', () => ({ ok: true, status: 201, json: gone }) as unknown as Response],
  ['a fault', () => answered(503, { message: 'The database does not answer.' })],
])(
  'after %s nobody knows whether it was written: tried again it is the same entry, and counts once',
  async (_, silence) => {
    const { write, sent } = open([silence, silence]);
    expect(await write('move', take)).toMatch(/does not answer/);
    expect(await write('move', { ...take })).toMatch(/does not answer/);
    expect(await write('move', take)).toBeNull();
    const [first, second, third] = sent();
    expect(second).toEqual(first);
    expect(third).toEqual(first);
    // Written: the same again is another of its kind.
    expect(await write('move', take)).toBeNull();
    expect(sent()[3]?.id).not.toBe(first?.id);
  },
);
test('something else typed after a silence is something else', async () => {
  const { write, sent } = open([gone]);
  await write('move', take);
  await write('move', { ...take, count: -3 });
  await write('count', take);
  expect(new Set(sent().map(({ id }) => id)).size).toBe(3);
});
test('a refusal says why, and what is sent after it is another entry', async () => {
  const problems = [{ path: '/body/count', message: 'is more than lies there' }];
  const { write, sent } = open([
    () => answered(400, { problems }),
    () => answered(409, { message: 'Says something else.' }),
  ]);
  expect(await write('move', take)).toBe('count is more than lies there');
  expect(await write('move', take)).toBe('Says something else.');
  expect(await write('move', take)).toBeNull();
  expect(new Set(sent().map(({ id }) => id)).size).toBe(3);
});
test('what its form does not allow is not sent', async () => {
  const { write, sent } = open([], {
    ...log,
    problems: () => Promise.resolve([{ path: '/body/item', message: 'must not be empty' }]),
  });
  expect(await write('move', {})).toBe('item must not be empty');
  expect(sent()).toEqual([]);
});
