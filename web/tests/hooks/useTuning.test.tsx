/** @jest-environment jsdom */
import { beforeEach, expect, jest, test } from '@jest/globals';
import { compassOf } from '@holotonos/core';
import { jobDouble, settle } from './bench';

interface Asked {
  question: { adjust: { hole: string }[] };
  tell: (far: { start: number; starts: number }) => void;
  answer: (value: unknown) => void;
  fail: (error: unknown) => void;
}
let asked: Asked[] = [];
let stopped = 0;
jest.unstable_mockModule('comlink', () => ({ proxy: (value: unknown) => value }));
jest.unstable_mockModule('../../src/workers/solverThread', () => ({
  solverThread: () => ({
    solver: {
      tune: (question: Asked['question'], tell: Asked['tell']) =>
        new Promise((answer, fail) => asked.push({ question, tell, answer, fail })),
      stop: () => (stopped += 1),
    },
  }),
}));
const { act, renderHook } = await import('@testing-library/react');
const { useTuning } = await import('../../src/app/jobs/[ticket]/sound/_sound/useTuning');

const job = jobDouble();
const meter = { id: 'pitch-meter', name: 'Pitch meter', resolution: 1, maxPermissibleError: 2 };
// Every note has been read, and is where it should be.
for (const { id: part } of compassOf(job.type))
  job.write('reading', {
    point: { group: 'pitch', part, measure: 'cents', clock: 0 },
    value: 0,
    typed: '0',
    gauge: meter,
  });
const { state, type } = job;
beforeEach(() => {
  asked = [];
  stopped = 0;
});
const tuning = (first: readonly string[]) =>
  renderHook(({ holes }) => useTuning(state, type, holes), { initialProps: { holes: first } });
const then = (work: () => void) =>
  act(async () => {
    work();
    await settle();
  });

test('without a hole nothing is asked; of one already it is', () => {
  const hook = tuning([]);
  expect([asked.length, hook.result.current.progress]).toEqual([0, null]);
  hook.rerender({ holes: ['a'] });
  expect(asked.map(({ question }) => question.adjust.map(({ hole }) => hole))).toEqual([['a']]);
});

test('how far it is shows until it is done; one that is stopped says so', async () => {
  const hook = tuning(['a']);
  await then(() => asked[0]?.tell({ start: 1, starts: 4 }));
  expect(hook.result.current.progress).toBe(0.25);
  await then(() => asked[0]?.answer(null));
  expect(hook.result.current).toMatchObject({ progress: null, answer: null });
  expect(hook.result.current.problem).toMatch(/^Stopped/);
});

test('what fails says so, and another choice begins anew', async () => {
  const hook = tuning(['a']);
  await then(() => asked[0]?.fail(new Error('no answer')));
  expect(hook.result.current).toMatchObject({ progress: null, answer: null });
  expect(hook.result.current.problem).toMatch(/no answer with these holes/);
  hook.rerender({ holes: ['a', 'g'] });
  expect([asked.length, hook.result.current.problem]).toEqual([2, null]);
});

test('a newer question leaves the older one alone, whatever still comes of it', async () => {
  const hook = tuning(['a']);
  hook.rerender({ holes: ['g'] });
  expect([asked.length, stopped]).toEqual([2, 1]);
  await then(() => asked[0]?.tell({ start: 3, starts: 4 }));
  await then(() => asked[0]?.fail(new Error('stopped')));
  expect(hook.result.current).toMatchObject({ progress: null, problem: null });
  await then(() => asked[1]?.tell({ start: 1, starts: 2 }));
  expect(hook.result.current.progress).toBe(0.5);
});
