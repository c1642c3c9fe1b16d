import { describe, expect, test } from '@jest/globals';
import { sax, TestJob } from '../../tests/testJob';
import { judgeJob } from '../judgement';
import { doSteps, heldUp, jobPlan, type Step } from '.';
import { entryProblems } from '../jobForms';

const step = (id: string, change: Partial<Step> = {}): Step =>
  ({
    id,
    title: `Do ${id}`,
    status: 'ready',
    state: null,
    waitsFor: [],
    gate: [],
    cautions: [],
    spoils: [],
    takes: [],
    cures: [],
    unattended: 0,
    agreement: 'agreed',
    ...change,
  }) as unknown as Step;
const waiting = (...ids: string[]) => ids.map((id) => ({ id, title: `Do ${id}`, reason: 'x', until: null }));
const gate = (open: boolean) => [{ group: 'rim', part: 'e', open, why: 'rim of E is not measured' }] as Step['gate'];
const none = new Set<string>();
const now = '2026-11-23T10:00:00.000Z';
const doAll = (steps: Step[], accepted = none) => {
  const { done, held } = doSteps(steps, new Set(steps.map(({ id }) => id)), accepted, now);
  return [done.map(({ operation }) => operation), held.map(({ step: { id }, by }) => [id, by.by])];
};

describe('what keeps a step from being done', () => {
  test.each<[string, Partial<Step>, string | null]>([
    ['nothing', {}, null],
    ['a step before it', { waitsFor: waiting('a') }, 'step'],
    ['an owner who was not asked', { agreement: 'to-agree' }, 'owner'],
    ['an owner who said no', { agreement: 'refused' }, 'owner'],
    ['a closed gate', { gate: gate(false) }, 'gate'],
    ['cautions nobody accepted', { cautions: ['flame', 'dust'] }, 'cautions'],
    ['its end', { status: 'curing' }, 'over'],
  ])('%s', (_, change, by) => expect(heldUp(step('x', change), none)?.by ?? null).toBe(by));
  test('an open gate and accepted cautions keep nobody; a caution that is left is named', () => {
    const careful = step('x', { gate: gate(true), cautions: ['flame', 'dust'] });
    expect(heldUp(careful, new Set(['flame', 'dust']))).toBeNull();
    expect(heldUp(careful, new Set(['dust']))).toEqual({ by: 'cautions', cautions: ['flame'] });
  });
  test('a step in hand was let through when it was started', () => {
    const change = { status: 'started', cautions: ['flame'], gate: gate(false), waitsFor: waiting('a') } as const;
    expect(heldUp(step('x', change as never), none)).toBeNull();
  });
});

describe('several steps at once', () => {
  test('what waits for one of them goes with it, in the order of the plan', () =>
    expect(
      doAll([step('a'), step('b', { waitsFor: waiting('a') }), step('c', { waitsFor: waiting('a', 'b') })]),
    ).toEqual([['a', 'b', 'c'], []]));
  test('what waits for one that has to cure, or for one that is held itself, stays', () => {
    expect(doAll([step('a', { unattended: 60 }), step('b', { waitsFor: waiting('a') })])).toEqual([
      ['a'],
      [['b', 'step']],
    ]);
    expect(doAll([step('a', { gate: gate(false) }), step('b', { waitsFor: waiting('a') })])).toEqual([
      [],
      [
        ['a', 'gate'],
        ['b', 'step'],
      ],
    ]);
  });
  test('a gate that one of them moves is closed for those after it', () => {
    const mover = step('a', { spoils: ['rim:*'] });
    expect(doAll([mover, step('b', { gate: gate(true) })])).toEqual([['a'], [['b', 'gate']]]);
    expect(doAll([step('b', { gate: gate(true) }), mover])).toEqual([['b', 'a'], []]);
    expect(doAll([step('a', { spoils: ['pad:e'] }), step('b', { gate: gate(true) })])).toEqual([['a', 'b'], []]);
  });
  test('what is not marked is not done', () =>
    expect(doSteps([step('a'), step('b')], new Set(['b']), none, now).done.map(({ operation }) => operation)).toEqual([
      'b',
    ]));
  test('only a clock books minutes; cautions go with what was never started', () => {
    const running = {
      status: 'started',
      cautions: ['flame'],
      state: { workedMinutes: 4, runningSince: '2026-11-23T09:53:00.000Z' },
    };
    const { done } = doSteps(
      [step('a', { cautions: ['dust'] }), step('b', running as never)],
      new Set(['a', 'b']),
      new Set(['dust']),
      now,
    );
    expect(done.map(({ minutes, cautionsAccepted }) => [minutes, cautionsAccepted])).toEqual([
      [0, ['dust']],
      [11, undefined],
    ]);
  });
  test('what is written is a well-formed entry, and the job keeps which cautions were accepted', () => {
    const job = new TestJob();
    const [body] = doSteps(
      [step('photograph:body', { cautions: ['dust'] })],
      new Set(['photograph:body']),
      new Set(['dust']),
      now,
    ).done;
    job.write('operation-done', body as object);
    expect(entryProblems(job.entries.at(-1), 'stored')).toEqual([]);
    expect(job.state.operations.get('photograph:body')).toMatchObject({ status: 'done', cautionsAccepted: ['dust'] });
  });
});

test('of a whole plan what is done at once is what the plan would let be done one after the other', () => {
  const job = new TestJob();
  for (const part of ['e', 'd', 'low-b']) job.finding('pad-leaking', part);
  job.finding('dent', 'bell');
  const steps = () => jobPlan(job.state, sax, judgeJob(job.state, sax), job.now).steps;
  const first = steps();
  const accepted = new Set(first.flatMap(({ cautions }) => cautions));
  const { done, held } = doSteps(first, new Set(first.map(({ id }) => id)), accepted, job.now);
  expect(done.length).toBeGreaterThan(3);
  expect(done.length + held.length).toBe(first.length);
  for (const body of done) {
    const now = steps().find(({ id }) => id === body.operation);
    expect([body.operation, now && heldUp(now, accepted)]).toEqual([body.operation, null]);
    job.write('operation-done', body);
  }
});
