import { afterEach, describe, expect, jest, test } from '@jest/globals';
import type { Entry, NewEntry } from '@holotonos/core';
import { askWho } from '../frame/askWho';
import { post } from './posted';

const entry: NewEntry = {
  id: '00000000-0000-4000-8000-000000000001',
  kind: 'note',
  body: { text: 'x' },
  author: 'Juno Tam',
  benchTime: '2026-11-23T09:00:00.000Z',
};
const send = (address: string, what: NewEntry) => post(address, what, (answer) => (answer as { entry?: Entry }).entry);
const real = globalThis.fetch;
afterEach(() => {
  globalThis.fetch = real;
});
const answering = (status: number, body: unknown) => {
  const asked = jest.fn<typeof fetch>(() =>
    Promise.resolve(new Response(typeof body === 'string' ? body : JSON.stringify(body), { status })),
  );
  globalThis.fetch = asked;
  return asked;
};

describe('what comes of sending an entry', () => {
  test('it is acknowledged', async () => {
    const asked = answering(201, { entry: { ...entry, seq: 4 } });
    expect(await send('/api/v1/jobs/LL-1/entries', entry)).toEqual({
      status: 'acknowledged',
      taken: { ...entry, seq: 4 },
    });
    const [address, init] = asked.mock.calls[0] ?? [];
    expect(address).toBe('/api/v1/jobs/LL-1/entries');
    expect(init?.method).toBe('POST');
    expect(JSON.parse(String(init?.body))).toEqual(entry);
  });
  test.each([429, 502, 503, 504, 507])('%i is tried again', async (status) => {
    answering(status, { message: 'later' });
    expect(await send('LL-1', entry)).toEqual({ status: 'unreachable' });
  });
  test('a server that wants to know who is there is asked again, and the frame hears of it', async () => {
    const heard = jest.fn();
    const { window: before } = globalThis as { window?: unknown };
    const frame = new EventTarget();
    frame.addEventListener(askWho, heard);
    Object.assign(globalThis, { window: frame });
    answering(401, { error: 'sign-in', message: 'Nobody is signed in here.' });
    expect(await send('LL-1', entry)).toEqual({ status: 'unreachable', asksWho: true });
    expect(heard).toHaveBeenCalledTimes(1);
    Object.assign(globalThis, { window: before });
  });
  test('what never answers is given up after half a minute, and tried again', async () => {
    jest.useFakeTimers({ doNotFake: ['nextTick', 'queueMicrotask'] });
    const patience = jest.spyOn(AbortSignal, 'timeout').mockImplementation((ms) => {
      const stop = new AbortController();
      setTimeout(() => stop.abort(), ms);
      return stop.signal;
    });
    try {
      globalThis.fetch = (_, init) =>
        new Promise((__, reject) => init?.signal?.addEventListener('abort', () => reject(new Error('given up'))));
      const sent = send('/x', entry);
      await jest.advanceTimersByTimeAsync(30_000);
      expect(await sent).toEqual({ status: 'unreachable' });
      expect(patience).toHaveBeenCalledWith(30_000);
    } finally {
      patience.mockRestore();
      jest.useRealTimers();
    }
  });
  test('nobody there is tried again', async () => {
    globalThis.fetch = () => Promise.reject(new TypeError('failed to fetch'));
    expect(await send('LL-1', entry)).toEqual({ status: 'unreachable' });
  });
  test('an answer that breaks off may have been a yes, and is asked for again', async () => {
    answering(201, '{"entry":');
    expect(await send('LL-1', entry)).toEqual({ status: 'unreachable' });
  });
  test.each([
    [400, { problems: [{ path: '/body/text', message: 'must not be empty' }] }, '/body/text', 'must not be empty'],
    [409, { message: 'says something else' }, '', 'says something else'],
    [500, { message: 'reference 1234' }, '', 'reference 1234'],
    [413, {}, '', 'was refused'],
    [500, '<html>', '', 'was answered with 500 and no reason'],
  ])('%i is set aside with its reason', async (status, body, path, message) => {
    answering(status, body);
    expect(await send('LL-1', entry)).toEqual({ status: 'refused', problems: [{ path, message }] });
  });
});
