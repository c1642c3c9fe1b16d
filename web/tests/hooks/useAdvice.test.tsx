/** @jest-environment jsdom */
import { afterEach, beforeEach, expect, jest, test } from '@jest/globals';
import type { RegulateInput, RegulateOutput } from '@holotonos/core';

interface Asked {
  question: RegulateInput;
  tell: (now: { tried: number }) => void;
  answer: (output: RegulateOutput | null) => void;
  fail: (error: Error) => void;
}
const asked: Asked[] = [];
const stopped = jest.fn();
jest.unstable_mockModule('../../src/workers/solverThread', () => ({
  solverThread: () => ({
    solver: {
      regulate: (_: string, question: RegulateInput, tell: Asked['tell']) =>
        new Promise((answer, fail) => asked.push({ question, tell, answer, fail })),
      stop: (name: string) => Promise.resolve(stopped(name)),
    },
  }),
}));
jest.unstable_mockModule('comlink', () => ({ proxy: <T,>(call: T) => call }));
const { act, cleanup, renderHook } = await import('@testing-library/react');
const { useAdvice } = await import('../../src/regulation/useAdvice');

const question = (touch: number) => ({ touch }) as unknown as RegulateInput;
const output = (name: string) => ({ name }) as unknown as RegulateOutput;
const desk = (touch = 1) =>
  renderHook(({ of }: { of: number }) => useAdvice(question(of)), { initialProps: { of: touch } });
const call = async (work: (last: Asked) => void, at = asked.length - 1) =>
  act(async () => {
    const one = asked[at];
    if (one) work(one);
    await Promise.resolve();
  });

beforeEach(() => {
  asked.length = 0;
  stopped.mockClear();
});
afterEach(cleanup);

test('says how many settings were looked at, then the answer, and nothing that comes in after it', async () => {
  const { result } = desk();
  expect(asked.map(({ question: of }) => of)).toEqual([{ touch: 1 }]);
  expect(result.current).toMatchObject({ advice: { state: 'working', tried: 0 }, before: null });
  await call(({ tell }) => tell({ tried: 40 }));
  expect(result.current.advice).toEqual({ state: 'working', tried: 40 });
  await call(({ answer }) => answer(output('first')));
  expect(result.current).toMatchObject({
    advice: { state: 'known', output: { name: 'first' } },
    before: { name: 'first' },
  });
  await call(({ tell }) => tell({ tried: 50 }));
  expect(result.current.advice.state).toBe('known');
});

test('another question: the answer before stands until there is another, and what is asked no more is stopped', async () => {
  const { result, rerender } = desk();
  await call(({ answer }) => answer(output('first')));
  rerender({ of: 2 });
  expect(result.current).toMatchObject({ advice: { state: 'working', tried: 0 }, before: { name: 'first' } });
  // The first was over: there is nothing to stop.
  expect(stopped).not.toHaveBeenCalled();
  rerender({ of: 3 });
  expect(stopped).toHaveBeenCalledTimes(1);
  await call(({ answer }) => answer(output('second')), 1);
  expect(result.current).toMatchObject({ advice: { state: 'working' }, before: { name: 'first' } });
  await call(({ answer }) => answer(output('third')), 2);
  expect(result.current).toMatchObject({ advice: { output: { name: 'third' } }, before: { name: 'third' } });
});

test('it can be stopped, and asked again; a failure is said', async () => {
  const { result } = desk();
  act(() => result.current.stop());
  expect(stopped).toHaveBeenCalledTimes(1);
  await call(({ answer }) => answer(null));
  expect(result.current).toMatchObject({ advice: { state: 'stopped' }, before: null });
  act(() => result.current.again());
  expect(result.current.advice).toEqual({ state: 'working', tried: 0 });
  expect(asked).toHaveLength(2);
  await call(({ fail }) => fail(new Error('The model has no answer.')));
  expect(result.current.advice).toEqual({ state: 'failed', message: 'The model has no answer.' });
});

test('a page that is left stops what it asked', async () => {
  const { unmount } = desk();
  unmount();
  expect(stopped).toHaveBeenCalledTimes(1);
  await call(({ answer }) => answer(output('late')));
});
