import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { TestJob } from '../../tests/testJob';
import { readJobDocument, toJobDocument } from '../record';
import { emptyJobState, foldEntries, foldJob, misfits, type NewEntry } from '.';
import { workedAt } from '../plan';
import { entryProblems } from '../jobForms';

const uuid = '00000000-0000-4000-9000-000000000001';
const range = { low: 100, likely: 200, high: 300 };
const estimate = {
  estimate: uuid,
  title: 'Steady',
  practice: 'steady',
  scope: 'repair',
  currency: 'EUR',
  taxPercent: 19,
  lines: [{ kind: 'labour', what: 'Tone holes', amount: range }],
  minutes: { low: 8, likely: 15, high: 35 },
  total: range,
  operations: ['dress-rim:e'],
  leaves: [],
};
const offered = (kind: string, body: object): NewEntry =>
  ({
    id: '00000000-0000-4000-8000-999999999999',
    kind,
    body,
    author: 'Juno Tam',
    benchTime: '2026-11-23T10:00:00.000Z',
  }) as unknown as NewEntry;
const says = (job: TestJob, kind: string, body: object) => {
  const entry = offered(kind, body);
  const problems = entryProblems(entry);
  return (problems.length > 0 ? problems : misfits(job.state, entry)).map(({ path, message }) => `${path} ${message}`);
};
const started = () => {
  const job = new TestJob();
  job.write('operation-started', { operation: 'dress-rim:e', cautionsAccepted: [] });
  return job;
};

describe('the clock of a step', () => {
  test('counts what was worked, whenever it was stopped and taken up', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: 0, max: 50 }), fc.integer({ min: 0, max: 50 })), { maxLength: 6 }),
        (spans) => {
          const job = started();
          let worked = 0;
          for (const [work, rest] of spans) {
            job.minute += work;
            worked += work;
            job.write('timer', { operation: 'dress-rim:e', act: 'pause' });
            job.minute += rest;
            job.write('timer', { operation: 'dress-rim:e', act: 'resume' });
          }
          job.minute += 3;
          const operation = job.state.operations.get('dress-rim:e');
          expect(operation && workedAt(operation, job.now)).toBeCloseTo(worked + 3, 6);
          // Cut anywhere, the fold says the same.
          const cut = Math.floor(job.entries.length / 2);
          const inTwo = foldEntries(foldEntries(emptyJobState, job.entries.slice(0, cut)), job.entries.slice(cut));
          expect(inTwo.operations.get('dress-rim:e')).toEqual(operation);
        },
      ),
      { numRuns: 30 },
    );
  });
  test('pausing twice or after the end changes nothing', () => {
    const job = started();
    job.minute = 5;
    job.write('timer', { operation: 'dress-rim:e', act: 'pause' });
    job.minute = 9;
    job.write('timer', { operation: 'dress-rim:e', act: 'pause' });
    expect(job.state.operations.get('dress-rim:e')).toMatchObject({ workedMinutes: 5, runningSince: null });
    job.done('dress-rim:e');
    job.write('timer', { operation: 'dress-rim:e', act: 'resume' });
    expect(job.state.operations.get('dress-rim:e')).toMatchObject({ status: 'done', runningSince: null });
  });
  test('is refused where no step is in hand, or where it is not said how long', () => {
    const timer = (act: string, more: object = {}) => ({ operation: 'dress-rim:e', act, ...more });
    expect(says(new TestJob(), 'timer', timer('pause'))[0]).toMatch(/operation is not in hand/);
    expect(says(started(), 'timer', timer('pause'))).toEqual([]);
    expect(says(started(), 'timer', timer('set'))[0]).toMatch(/minutes say how long/);
    expect(says(started(), 'timer', timer('pause', { minutes: 4 }))[0]).toMatch(/minutes go with setting/);
    expect(says(started(), 'timer', timer('set', { minutes: -4 }))[0]).toMatch(/minutes/);
  });
});

describe('estimates', () => {
  test('are given once, answered as often as the owner changes their mind, and only if they were given', () => {
    const job = new TestJob();
    const answer = (said: string) => ({ estimate: uuid, answer: said, on: '2026-11-23' });
    expect(says(job, 'agreement', answer('accepted'))[0]).toMatch(/not an estimate of this job/);
    expect(says(job, 'estimate', estimate)).toEqual([]);
    job.write('estimate', estimate);
    expect(says(job, 'estimate', estimate)[0]).toMatch(/given already/);
    job.write('agreement', answer('refused'));
    job.write('agreement', answer('accepted'));
    expect(job.state.estimates.get(uuid)?.answer?.body.answer).toBe('accepted');
  });
  test('hold whole minor units and a currency', () => {
    const wrong = (change: object) => says(new TestJob(), 'estimate', { ...estimate, ...change })[0];
    expect(wrong({ total: { ...range, likely: 200.5 } })).toMatch(/total\/likely/);
    expect(wrong({ currency: 'euro' })).toMatch(/currency/);
    expect(wrong({ taxPercent: 120 })).toMatch(/taxPercent/);
  });
  test('and clocks come back from a document of the whole job', () => {
    const job = started();
    job.write('timer', { operation: 'dress-rim:e', act: 'pause' });
    job.write('estimate', estimate);
    job.write('agreement', { estimate: uuid, answer: 'accepted', on: '2026-11-23' });
    const read = readJobDocument(JSON.parse(JSON.stringify(toJobDocument('T-1', job.entries, job.now))));
    expect(read.ok ? read.document.entries : read.problems).toEqual(job.entries);
  });
  test('a struck answer leaves the estimate open', () => {
    const job = new TestJob();
    job.write('estimate', estimate);
    const answer = job.write('agreement', { estimate: uuid, answer: 'accepted', on: '2026-11-23' });
    job.write('strike', { entry: answer, reason: 'Wrong ticket' });
    expect(foldJob(job.entries).estimates.get(uuid)?.answer).toBeNull();
  });
});

describe('changes of the plan', () => {
  test('lie over each other until they are taken back', () => {
    const job = new TestJob();
    const change = (more: object) => job.write('plan-change', { operation: 'dress-rim:e', reason: 'so', ...more });
    change({ before: 'dress-rim:g' });
    change({ minutes: { low: 1, likely: 2, high: 3 }, reason: 'quick one' });
    expect(job.state.planChanges.get('dress-rim:e')?.body).toEqual({
      operation: 'dress-rim:e',
      before: 'dress-rim:g',
      minutes: { low: 1, likely: 2, high: 3 },
      reason: 'quick one',
    });
    change({ withdrawn: true });
    expect(job.state.planChanges.size).toBe(0);
  });
  test('want a reason', () => expect(says(new TestJob(), 'plan-change', { operation: 'x:y' })[0]).toMatch(/reason/));
});
