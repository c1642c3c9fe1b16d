/** @jest-environment jsdom */
import { beforeEach, describe, expect, jest, test } from '@jest/globals';
import { solveRim, type BenchQuestion, type RimInput, type ScheduleOutput } from '@holotonos/core';
import { settle } from './bench';

/** The worker a hook starts: its calls are kept, and answered when the test says so. */
interface Call {
  name: string;
  args: unknown[];
  answer: (value: unknown) => void;
  fail: (error: unknown) => void;
}
let calls: Call[] = [];
let started = 0;
let ended = 0;
Object.assign(globalThis, {
  Worker: class {
    constructor() {
      started += 1;
    }
    terminate() {
      ended += 1;
    }
  },
});
jest.unstable_mockModule('comlink', () => ({
  proxy: (value: unknown) => value,
  wrap: () =>
    new Proxy(
      {},
      {
        get:
          (_, name: string) =>
          (...args: unknown[]) =>
            new Promise((answer, fail) => calls.push({ name, args, answer, fail })),
      },
    ),
}));
const { act, renderHook } = await import('@testing-library/react');
const { useSolverAnswers } = await import('../../src/job/solverAnswers');
const { useSolved } = await import('../../src/job/useSolved');
const { useSchedule } = await import('../../src/app/week/_week/useSchedule');

beforeEach(() => {
  calls = [];
  started = 0;
  ended = 0;
});
const rim = (height: number): RimInput => ({
  heights: [0, 60, 120, 180, 240, 300].map((clock) => ({ clock, height: clock === 60 ? height : 0 })),
  limits: { flatness: 0.03 },
});

const answer = (at: number, value: unknown) =>
  act(async () => {
    calls[at]?.answer(value);
    await settle();
  });

describe('answers from the worker', () => {
  test('what is asked while the page is made, or while the worker loads, is answered there; the worker begins with the first question', async () => {
    const first: unknown[] = [];
    const hook = renderHook(() => {
      const answers = useSolverAnswers();
      if (answers.version === 0 && first.length === 0) first.push(answers.rim(rim(0.01)));
      return answers;
    });
    expect(first).toEqual([solveRim(rim(0.01))]);
    // Known already: no question, and no worker for it.
    expect(hook.result.current.rim(rim(0.01))).toEqual(first[0]);
    expect(started).toBe(0);
    expect(hook.result.current.rim(rim(0.15))).toEqual(solveRim(rim(0.15)));
    expect([started, calls.map(({ name }) => name)]).toEqual([1, ['ready']]);
    expect(hook.result.current.rim(rim(0.16))).toEqual(solveRim(rim(0.16)));
    await answer(0, true);
    for (let time = 0; time < 3; time += 1) expect(hook.result.current.rim(rim(0.2))).toBeNull();
    expect(calls.slice(1).map(({ name, args }) => [name, args[0]])).toEqual([['solve', 'rim']]);
    const before = hook.result.current.version;
    await answer(1, { status: 'solved', output: solveRim(rim(0.2)) });
    expect(hook.result.current.version).toBe(before + 1);
    expect(hook.result.current.rim(rim(0.2))).toEqual(solveRim(rim(0.2)));
    expect(calls).toHaveLength(2);
    // Another view of the page asks the same worker.
    hook.unmount();
    const next = renderHook(() => useSolverAnswers());
    expect(next.result.current.rim(rim(0.21))).toBeNull();
    expect([started, ended]).toEqual([1, 0]);
  });
  test('a question without an answer is answered with none, and not asked again', async () => {
    const hook = renderHook(() => useSolverAnswers());
    expect(hook.result.current.rim(rim(0.3))).toBeNull();
    await answer(0, { status: 'unsolvable', message: 'x' });
    expect(hook.result.current.rim(rim(0.3))).toBeNull();
    expect(calls).toHaveLength(1);
  });
  test('a worker that fails leaves no question open', async () => {
    const hook = renderHook(() => useSolverAnswers());
    hook.result.current.rim(rim(0.4));
    await act(async () => {
      calls[0]?.fail(new Error('no worker'));
      await settle();
    });
    expect(hook.result.current.rim(rim(0.4))).toEqual(solveRim(rim(0.4)));
  });
  test('every question has a name of its own', () => {
    const hook = renderHook(() => useSolverAnswers());
    const { line, bore, hinge, joint, seat } = hook.result.current;
    for (const ask of [line, bore, hinge, joint, seat]) ask({} as never);
    expect(calls.map(({ args }) => args[0])).toEqual(['body-line', 'bore', 'hinge', 'joint', 'seat']);
  });
});

describe('the answer to what stands in a panel', () => {
  const solved = (output: number) => ({ status: 'solved', output });
  const panel = (first: object | null) =>
    renderHook(({ input }) => useSolved('bushing', input), { initialProps: { input: first } });
  test('is asked once for the same figures, and the newest question counts, whatever is answered first', async () => {
    const hook = panel({ hole: 4 });
    hook.rerender({ input: { hole: 4 } });
    expect([hook.result.current, calls.map(({ args }) => args)]).toEqual([null, [['bushing', { hole: 4 }]]]);
    hook.rerender({ input: { hole: 5 } });
    await answer(1, solved(5));
    expect(hook.result.current).toEqual(solved(5));
    await answer(0, solved(4));
    expect(hook.result.current).toEqual(solved(5));
  });
  test('stands while the next one is worked out, and goes when nothing is asked any more', async () => {
    const hook = panel({ hole: 4 });
    await answer(0, { status: 'invalid-input', problems: [] });
    hook.rerender({ input: { hole: 6 } });
    expect(hook.result.current).toEqual({ status: 'invalid-input', problems: [] });
    hook.rerender({ input: null });
    expect([hook.result.current, calls.length]).toEqual([null, 2]);
  });
  test('a field that holds no figure is asked as none, not passed over', () => {
    panel({ hole: NaN });
    expect(calls.map(({ args }) => args)).toEqual([['bushing', { hole: null }]]);
  });
  test('stays away when the worker fails', async () => {
    const hook = panel({ hole: 4 });
    await act(async () => {
      calls[0]?.fail(new Error('no worker'));
      await settle();
    });
    expect(hook.result.current).toBeNull();
  });
});

describe('the schedule of the bench', () => {
  const question = { input: { tasks: [] }, ranges: {} } as unknown as BenchQuestion;
  const schedule = (late: string[], makespan = 10) => ({ late, makespan }) as unknown as ScheduleOutput;
  const shown = (first: ScheduleOutput) =>
    renderHook(({ of }) => useSchedule(question, of), { initialProps: { of: first } });

  test('that is in time is not bettered; only its chances are played through, with progress', async () => {
    const first = schedule([]);
    const hook = shown(first);
    expect(calls.map(({ name }) => name)).toEqual(['chance']);
    act(() => (calls[0]?.args[3] as (progress: object) => void)({ run: 100, runs: 400 }));
    expect(hook.result.current.progress).toEqual({
      what: 'Playing the schedule through with other times',
      share: 0.25,
    });
    await answer(0, [{ id: 'LL-1' }]);
    expect(hook.result.current).toMatchObject({ schedule: first, chances: [{ id: 'LL-1' }], progress: null });
    // What the worker tells after its answer is old news.
    act(() => (calls[0]?.args[3] as (progress: object) => void)({ run: 400, runs: 400 }));
    expect(hook.result.current.progress).toBeNull();
  });
  test('that is late is bettered first, and the better one is played through', async () => {
    const [first, better] = [schedule(['LL-1']), schedule([], 8)];
    const hook = shown(first);
    expect(calls.map(({ name }) => name)).toEqual(['schedule']);
    act(() => (calls[0]?.args[1] as (progress: object) => void)({ round: 1, rounds: 4 }));
    expect(hook.result.current.progress?.share).toBe(0.25);
    await answer(0, better);
    expect(hook.result.current.schedule).toBe(better);
    expect([calls[1]?.name, calls[1]?.args.slice(0, 3)]).toEqual(['chance', [question.input, better, question.ranges]]);
  });
  test('stopped keeps what there is', async () => {
    const first = schedule(['LL-1']);
    const hook = shown(first);
    act(() => hook.result.current.stop());
    expect(calls.map(({ name }) => name)).toEqual(['schedule', 'stop']);
    expect(hook.result.current.progress).toBeNull();
    await answer(0, null);
    expect(hook.result.current.schedule).toBe(first);
  });
  test('bettered for an earlier question says nothing about this one', async () => {
    const hook = shown(schedule(['LL-1']));
    await answer(0, schedule([], 8));
    const next = schedule(['LL-2']);
    hook.rerender({ of: next });
    expect(hook.result.current.schedule).toBe(next);
    expect([started, ended]).toEqual([2, 1]);
  });
  test('a page that is left hears nothing; a worker that fails costs the band only', async () => {
    const first = schedule([]);
    const gone = shown(first);
    gone.unmount();
    await answer(0, [{ id: 'LL-1' }]);
    expect(gone.result.current.chances).toBeNull();
    const hook = shown(first);
    act(() => (calls[1]?.args[3] as (progress: object) => void)({ run: 1, runs: 400 }));
    await act(async () => {
      calls[1]?.fail(new Error('no worker'));
      await settle();
    });
    expect(hook.result.current).toMatchObject({ schedule: first, chances: null, progress: null });
  });
});
