/** @jest-environment jsdom */
import { afterEach, beforeEach, expect, jest, test } from '@jest/globals';
import { act, cleanup, renderHook } from '@testing-library/react';
import { useOutcomes } from '../../src/job/useOutcomes';
import { answered, fetchDouble, settle } from './bench';

const real = globalThis.fetch;
let asked: { url: string }[] = [];
let answer = () => answered(200, { outcomes: [{ part: 'e' }] });
const clock = jest.spyOn(performance, 'now');
let now = 1_000_000;
beforeEach(() => {
  const double = fetchDouble(() => answer());
  asked = double.asked;
  globalThis.fetch = double.double;
  answer = () => answered(200, { outcomes: [{ part: 'e' }] });
  // What an earlier test has asked for holds no longer.
  now += 600_000;
  clock.mockImplementation(() => now);
});
afterEach(() => {
  cleanup();
  globalThis.fetch = real;
});

const seen = async (kind: 'dent' | 'end-play' = 'dent') => {
  const { result, rerender } = renderHook(({ of }) => useOutcomes('saxophone', of), { initialProps: { of: kind } });
  const first = result.current;
  await act(settle);
  return { result, rerender, first };
};

test('nothing is said until it is known; twenty cards of a kind ask once, another kind asks anew', async () => {
  const { result, rerender, first } = await seen();
  expect(first).toBeUndefined();
  expect(result.current).toEqual([{ part: 'e' }]);
  for (let card = 0; card < 19; card += 1) await seen();
  expect(asked.map(({ url }) => url)).toEqual(['/api/v1/memory/faults?family=saxophone&kind=dent']);
  rerender({ of: 'end-play' });
  expect(result.current).toBeUndefined();
  await act(settle);
  expect(asked).toHaveLength(2);
});
test('an answer holds for a minute and no longer', async () => {
  await seen();
  now += 59_999;
  await seen();
  expect(asked).toHaveLength(1);
  now += 1;
  await seen();
  expect(asked).toHaveLength(2);
});
test('what did not come is nothing, and is asked for again by the next card', async () => {
  answer = () => answered(500);
  const { result } = await seen();
  expect(result.current).toBeNull();
  answer = () => answered(200, { outcomes: [] });
  expect((await seen()).result.current).toEqual([]);
  expect(asked).toHaveLength(2);
});
