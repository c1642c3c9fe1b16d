/** @jest-environment jsdom */
import { afterEach, beforeEach, expect, jest, test } from '@jest/globals';
import { act, cleanup, renderHook } from '@testing-library/react';
import { useServerAnswers } from '../../src/live/live';

const heard = new Map<string, (message: { data: string }) => void>();
class FakeSource {
  static readonly CLOSED = 2;
  readyState = 0;
  addEventListener = (name: string, listener: (message: { data: string }) => void) => void heard.set(name, listener);
  close = () => undefined;
}
Object.assign(globalThis, { EventSource: FakeSource });

beforeEach(() => {
  jest.useFakeTimers();
});
afterEach(() => {
  cleanup();
  jest.useRealTimers();
});

const follow = () => {
  const { result } = renderHook(() => useServerAnswers());
  const tell = (name: string, wait = 0) =>
    act(() => {
      heard.get(name)?.({ data: '{}' });
      jest.advanceTimersByTime(wait);
    });
  return { result, tell };
};

test('a stream that ends and begins again says nothing; one that stays away does', () => {
  const { result, tell } = follow();
  expect(result.current).toBe('yes');
  tell('ready');
  tell('error', 3000);
  tell('ready', 10_000);
  expect(result.current).toBe('yes');
  tell('error', 3900);
  // Tried again meanwhile, and lost again: the time since the first loss counts.
  tell('error', 200);
  expect(result.current).toBe('not');
  tell('ready');
  expect(result.current).toBe('yes');
});
test('a page that never heard it says so', () => {
  const { result, tell } = follow();
  tell('error', 4100);
  expect(result.current).toBe('never');
  tell('entry');
  expect(result.current).toBe('yes');
});
