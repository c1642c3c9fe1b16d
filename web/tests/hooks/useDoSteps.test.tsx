/** @jest-environment jsdom */
import { beforeEach, describe, expect, jest, test } from '@jest/globals';
import { randomUUID } from 'node:crypto';
import { foldShop, judgeJob, jobPlan, type JobPlan, type Step } from '@holotonos/core';
import { jobDouble, settle } from './bench';

const now = '2026-11-23T10:00:00.000Z';
let author = 'Juno Tam';
let taken = true;
let at = now;
let job: ReturnType<typeof jobDouble> & { plan?: JobPlan; now?: string };
const planned = () => jobPlan(job.state, job.type, judgeJob(job.state, job.type), now);
jest.unstable_mockModule('../../src/frame/BenchContext', () => ({
  // Before the page has taken over what the browser remembers, `author` says nothing yet; `who` knows.
  useBench: () => ({ author: taken ? author : '', who: () => author, zone: 'Europe/Berlin' }),
}));
jest.unstable_mockModule('../../src/job/JobContext', () => ({
  useJob: () => Object.assign(Object.create(job) as typeof job, { plan: planned(), now: at, shop: job.shop }),
}));
const { act, renderHook } = await import('@testing-library/react');
const { useCautionsToday } = await import('../../src/job/cautionsToday');
const { besides, useDoSteps } = await import('../../src/app/jobs/[ticket]/_plan/useDoSteps');

const confirm = (kind: string, part: string) =>
  expect(job.write('finding', { finding: randomUUID(), kind, part, severity: 2, status: 'confirmed' } as never)).toBe(
    true,
  );
beforeEach(() => {
  author = 'Juno Tam';
  taken = true;
  at = now;
  localStorage.clear();
  job = jobDouble();
});
const done = () =>
  job.written.filter(({ kind }) => kind === 'operation-done').map(({ body }) => body as Step & { operation: string });

describe('cautions', () => {
  const today = () => renderHook(() => useCautionsToday());
  const has = (hook: ReturnType<typeof today>, caution: string) => hook.result.current.accepted.has(caution);
  test('are accepted once a day, by each person for themselves', () => {
    const hook = today();
    expect(has(hook, 'flame')).toBe(false);
    act(() => hook.result.current.accept(['flame', 'dust']));
    expect([has(hook, 'flame'), has(hook, 'dust'), has(hook, 'solder')]).toEqual([true, true, false]);
    // Another page of the same browser knows; somebody else has to read them.
    expect(has(today(), 'flame')).toBe(true);
    author = 'Perrin Oake';
    expect(has(today(), 'flame')).toBe(false);
    author = 'Juno Tam';
    act(() => hook.result.current.accept(['dust'], false));
    expect([has(hook, 'flame'), has(hook, 'dust')]).toEqual([true, false]);
    // 23:30 in Berlin is the same day, half an hour later is not.
    at = '2026-11-23T22:30:00.000Z';
    expect(has(today(), 'flame')).toBe(true);
    at = '2026-11-23T23:30:00.000Z';
    expect(has(today(), 'flame')).toBe(false);
  });
  test('are put down to whoever reads them, also while the page still streams in', () => {
    taken = false;
    const hook = today();
    act(() => hook.result.current.accept(['flame']));
    taken = true;
    hook.rerender();
    expect(has(hook, 'flame')).toBe(true);
  });
  test('are shown again when the shop changes their words', () => {
    const first = today();
    act(() => first.result.current.accept(['flame', 'dust']));
    const entry = {
      id: randomUUID(),
      seq: 1,
      kind: 'caution',
      body: { id: 'flame', text: 'No flame in this attic.', operations: [], reason: 'thatched roof' },
      author: 'Ottoline Marsh',
      benchTime: now,
      receivedAt: now,
    };
    job.shop = foldShop([entry as never]);
    expect(job.shop.cautions).toHaveLength(1);
    const hook = today();
    expect([has(hook, 'flame'), has(hook, 'dust')]).toEqual([false, true]);
  });
  test('a damaged note of them is none', () => {
    localStorage.setItem('holotonos-cautions', '{"day":');
    expect(today().result.current.accepted.size).toBe(0);
  });
});

describe('steps done in the plan', () => {
  const desk = () => {
    const hook = renderHook(() => useDoSteps());
    const does = async (work: (desk: ReturnType<typeof useDoSteps>) => void) => {
      act(() => work(hook.result.current));
      await act(settle);
      hook.rerender();
    };
    return {
      hook,
      does,
      get now() {
        return hook.result.current;
      },
    };
  };
  const free = () =>
    planned().steps.filter(
      (step) => step.status === 'ready' && step.cautions.length === 0 && step.gate.every(({ open }) => open),
    );

  test('one is written as it stands in the plan, and taken back by striking it', async () => {
    confirm('receiver-oval', 'neck-receiver');
    const [step] = free();
    const shown = desk();
    await shown.does((d) => d.finish(new Set([step?.id ?? ''])));
    expect(done()).toMatchObject([{ operation: step?.id, title: step?.title, minutes: 0, cures: step?.cures }]);
    expect(shown.now.said).toBe(`Done: ${step?.title}.`);
    expect(planned().steps.find(({ id }) => id === step?.id)?.status).not.toBe('ready');
    await shown.does((d) => d.takeBack());
    expect(job.written.at(-1)?.kind).toBe('strike');
    expect(planned().steps.find(({ id }) => id === step?.id)?.status).toBe('ready');
    expect(shown.now.said).toBe(`Taken back: ${step?.title}.`);
    await shown.does((d) => d.takeBack());
    expect(shown.now.said).toMatch(/Nothing was done here/);
  });
  test('what waits is not done and says for what; it stays marked, the others do not', async () => {
    confirm('receiver-oval', 'neck-receiver');
    confirm('pad-leaking', 'e');
    const { steps } = planned();
    const waits = steps.find(({ status }) => status === 'waiting');
    const [ready] = free();
    const shown = desk();
    await shown.does((d) => d.mark(ready?.id ?? ''));
    await shown.does((d) => d.mark(waits?.id ?? ''));
    await shown.does((d) => d.mark('nothing'));
    await shown.does((d) => d.mark('nothing'));
    expect([...shown.now.marked]).toEqual([ready?.id, waits?.id]);
    await shown.does((d) => d.finish(d.marked));
    expect(done().map(({ operation }) => operation)).toEqual([ready?.id]);
    expect([...shown.now.marked]).toEqual([waits?.id]);
    expect(shown.now.said).toContain(`Not done: ${waits?.title}. `);
  });
  test('a step with cautions is done when they were accepted today, and carries them', async () => {
    confirm('pad-leaking', 'e');
    const careful = planned().steps.find((step) => step.status === 'ready' && step.cautions.length > 0);
    if (!careful) throw new Error('a pad is seated with cautions');
    const shown = desk();
    const before = done().length;
    await shown.does((d) => d.finish(new Set([careful.id])));
    expect(done()).toHaveLength(before);
    expect(shown.now.said).toMatch(/cautions are not accepted yet today/);
    const read = renderHook(() => useCautionsToday());
    act(() => read.result.current.accept(careful.cautions));
    shown.hook.rerender();
    await shown.does((d) => d.finish(new Set([careful.id])));
    expect(done().at(-1)).toMatchObject({ operation: careful.id, cautionsAccepted: careful.cautions });
  });
  test('a job that takes nothing keeps what was marked out of the book, and nothing is taken back', async () => {
    confirm('receiver-oval', 'neck-receiver');
    const [step] = free();
    const shown = desk();
    job.closed = true;
    await shown.does((d) => d.finish(new Set([step?.id ?? ''])));
    expect([done(), shown.now.said]).toEqual([[], '']);
  });
  test('the list is walked to its ends and no farther', () => {
    const steps = ['a', 'b', 'c'].map((id) => ({ id }) as Step);
    expect([besides(steps, 'a', 1)?.id, besides(steps, 'c', 1)?.id, besides(steps, 'a', -1)?.id]).toEqual([
      'b',
      'c',
      'a',
    ]);
    expect([besides(steps, undefined, 1)?.id, besides([], 'a', 1)]).toEqual(['a', undefined]);
  });
});
