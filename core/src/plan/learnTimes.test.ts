import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { sax, TestJob } from '../../tests/testJob';
import { judgeJob } from '../judgement';
import { actualTimes, jobPlan, learnedFor, learnTimes, timeLesson, timesOf, timesTold, type ActualTime } from '.';

const time = (minutes: number, more: Partial<ActualTime> = {}): ActualTime => ({
  kind: 'dress-rim',
  family: 'saxophone',
  person: 'Juno Tam',
  minutes,
  expected: 10,
  at: '2026-11-23T09:00:00.000Z',
  ...more,
});
const learn = (actuals: readonly ActualTime[]) => learnTimes(timesOf(actuals));
const factor = (actuals: ActualTime[], person?: string) =>
  learnedFor(learn(actuals), 'dress-rim', 'saxophone', person)?.factor ?? 1;

describe('learned times', () => {
  test('nothing seen is nothing learned', () => {
    expect(learnTimes([])).toEqual({});
    expect(learnedFor({}, 'dress-rim', 'saxophone')).toBeNull();
    expect(learn([time(0), time(5, { expected: 0 })])).toEqual({});
  });
  test('one odd afternoon moves a time a little, many move it nearly all the way', () => {
    expect(factor([time(20)])).toBeGreaterThan(1.1);
    expect(factor([time(20)])).toBeLessThan(1.4);
    expect(factor(Array.from({ length: 200 }, () => time(20)))).toBeCloseTo(2, 1);
  });
  test('lies between the table and what was seen, and nearer to it the more was seen', () => {
    fc.assert(
      fc.property(fc.double({ min: 2, max: 70, noNaN: true }), fc.integer({ min: 1, max: 30 }), (minutes, n) => {
        const few = factor(Array.from({ length: n }, () => time(minutes)));
        const more = factor(Array.from({ length: n + 1 }, () => time(minutes)));
        const seen = minutes / 10;
        expect(few).toBeGreaterThanOrEqual(Math.min(1, seen) - 1e-9);
        expect(few).toBeLessThanOrEqual(Math.max(1, seen) + 1e-9);
        expect(Math.abs(Math.log(seen / more))).toBeLessThanOrEqual(Math.abs(Math.log(seen / few)) + 1e-9);
      }),
    );
  });
  test('a person is shrunk toward the family, the family toward the kind of work', () => {
    const seen = [
      ...Array.from({ length: 20 }, () => time(20, { person: 'Perrin Oake' })),
      time(10, { person: 'Juno Tam' }),
    ];
    expect(factor(seen, 'Juno Tam')).toBeLessThan(factor(seen, 'Perrin Oake'));
    expect(factor(seen, 'Juno Tam')).toBeGreaterThan(1);
    expect(factor(seen, 'Ottoline Marsh')).toBe(factor(seen));
    const flute = learnedFor(learn(seen), 'dress-rim', 'flute');
    expect(flute?.times).toBe(21);
  });
  test('added up job by job they teach what they teach one by one', () => {
    const parts = [
      [time(20), time(12), time(30, { person: 'Perrin Oake' })],
      [time(9)],
      [time(14, { family: 'flute' })],
    ];
    expect(timesOf(parts[0] ?? [])).toHaveLength(2);
    const apart = learnTimes(parts.flatMap(timesOf));
    for (const [key, { factor: together, times }] of Object.entries(learn(parts.flat()))) {
      expect(apart[key]?.factor).toBeCloseTo(together, 12);
      expect(apart[key]?.times).toBe(times);
    }
  });
  test('a clock left running over a night does not become a time', () => {
    expect(factor([time(10_000)])).toBeCloseTo(8 ** (1 / 5), 9);
  });
  test('come from the logbook and are shown as such on the step', () => {
    const job = new TestJob();
    job.finding('rim-warped', 'e');
    job.finding('rim-warped', 'g');
    job.write('operation-done', { operation: 'dress-rim:e', title: 'x', minutes: 45, disturbs: [], cures: [] });
    const actuals = actualTimes(job.state, sax);
    expect(actuals).toEqual([
      { kind: 'dress-rim', family: 'saxophone', person: 'Juno Tam', minutes: 45, expected: 15, at: job.now },
    ]);
    const { steps } = jobPlan(job.state, sax, judgeJob(job.state, sax), job.now, { learned: learn(actuals) });
    const other = steps.find(({ id }) => id === 'dress-rim:g');
    expect(other?.learned).toMatchObject({ table: 15, times: 1 });
    expect(other?.minutes.likely).toBeGreaterThan(15);
  });
});

test('a lesson that is doubted is as if it was never seen', () => {
  const seen = timesOf([time(20), time(40, { person: 'Perrin Oake' })]);
  const [, perrin] = seen;
  expect(learnTimes(seen, perrin ? [{ lesson: timeLesson(perrin) }] : [])).toEqual(learnTimes(seen.slice(0, 1)));
});

describe('what one clock says', () => {
  test('is the middle of what was done, with its spread, and since when', () => {
    const [seen] = timesOf([
      time(20, { at: '2026-11-25T09:00:00.000Z' }),
      time(40, { at: '2026-11-23T09:00:00.000Z' }),
      time(10, { at: '2026-11-24T09:00:00.000Z' }),
    ]);
    expect(seen).toMatchObject({ times: 3, since: '2026-11-23T09:00:00.000Z' });
    // Logarithms 2, 4 and 1 times the table: their middle is 2, their deviation that of ln 2.
    const told = seen && timesTold(seen);
    expect(told?.factor).toBeCloseTo(2, 9);
    expect(told?.spread).toBeCloseTo(2, 9);
    expect(seen && timeLesson(seen)).toBe('time dress-rim saxophone Juno Tam');
  });
  test('once is once: no spread', () => {
    const [seen] = timesOf([time(30)]);
    expect(seen && timesTold(seen)).toEqual({ factor: expect.closeTo(3, 9), spread: null });
  });
  test('the same time over and over has no spread, however the sums were rounded', () => {
    const [seen] = timesOf(Array.from({ length: 50 }, () => time(13)));
    expect(seen && timesTold(seen).spread).toBeCloseTo(1, 6);
  });
});
