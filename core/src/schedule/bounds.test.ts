import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { everyOrder } from '../../tests/everyOrder';
import {
  latenessOf,
  openHours,
  quickSchedule,
  scheduleSteps,
  solveSchedule,
  type ScheduleInput,
  type ScheduleTask,
} from '.';
import { doneAt, soonestDone, ticketsOf, totalLateness } from './bounds';

const task = (id: string, attended: number, unattended = 0, after: string[] = []): ScheduleTask => ({
  id,
  attended,
  unattended,
  after,
});
const of = (tasks: ScheduleTask[], tickets: ScheduleInput['tickets'] & object, more: Partial<ScheduleInput> = {}) =>
  ({ tasks, resources: {}, calendar: null, aim: 'due', tickets, ...more }) satisfies ScheduleInput;
/** Tickets of one task each. */
const single = (...list: [work: number, due: number][]) =>
  of(
    list.map(([work], i) => task(`t${i}`, work)),
    list.map(([, dueBy], i) => ({ id: `T${i}`, tasks: [`t${i}`], dueBy })),
  );
const atLeast = (input: ScheduleInput) => latenessOf(input, { tasks: [] }).atLeast;

describe('how late tickets are at least', () => {
  test('what is done in time by itself, and together, need not be late', () =>
    expect(atLeast(single([30, 30], [30, 60]))).toBe(0));
  test('one that cannot be done in time by itself is late by that, and a cure counts', () => {
    expect(atLeast(single([50, 30], [10, 500]))).toBe(20);
    const cures = of([task('a', 10, 100), task('b', 5, 0, ['a'])], [{ id: 'A', tasks: ['a', 'b'], dueBy: 60 }]);
    expect(atLeast(cures)).toBe(55);
  });
  test('one pair of hands cannot do two at once: the second to be done is late, whichever it is', () => {
    expect(atLeast(single([40, 50], [40, 50]))).toBe(30);
    const two = {
      people: [
        { id: 'juno', skills: [] },
        { id: 'perrin', skills: [] },
      ],
    };
    expect(atLeast({ ...single([40, 50], [40, 50]), ...two })).toBe(0);
  });
  test('a ticket without a date is never late, and its work need not come first', () => {
    const input = of(
      [task('a', 40), task('long', 500)],
      [
        { id: 'A', tasks: ['a'], dueBy: 40 },
        { id: 'L', tasks: ['long'] },
        { id: 'M', tasks: [], dueBy: null },
      ],
    );
    expect(ticketsOf(input).map(({ id }) => id)).toEqual(['A']);
    expect(atLeast(input)).toBe(0);
  });
  test('is the best there is where every order can be tried, or below it; never above what was found', () => {
    let tight = 0;
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: 1, max: 60 }), fc.integer({ min: 0, max: 200 })), {
          minLength: 1,
          maxLength: 6,
        }),
        (list) => {
          const best = Math.min(
            ...everyOrder(list.map((_, i) => i)).map((order) => {
              let hands = 0;
              return order.reduce((sum, i) => {
                hands += list[i]?.[0] ?? 0;
                return sum + Math.max(0, hands - (list[i]?.[1] ?? 0));
              }, 0);
            }),
          );
          const input = single(...list);
          const { total, atLeast: bound } = latenessOf(input, quickSchedule(input));
          expect(bound).toBeLessThanOrEqual(best + 1e-6);
          expect(total).toBeGreaterThanOrEqual(best - 1e-6);
          if (bound > best - 1e-6) tight += 1;
        },
      ),
      { numRuns: 60, seed: 7 },
    );
    // It says something: for most such questions it is the very best.
    expect(tight).toBeGreaterThan(30);
  });
  test('a search that has come down to it stops there', () => {
    const rounds = (input: ScheduleInput) => [...scheduleSteps(input)].length;
    // Three that are late whatever is done, already in the best order by the plain rule.
    const late = single([30, 10], [30, 20], [30, 30]);
    expect(latenessOf(late, solveSchedule(late))).toEqual({ total: 120, atLeast: 120 });
    expect(rounds(late)).toBe(0);
  });
});

test('open hours count: by when hands together have worked so long', () => {
  const calendar = {
    start: '2026-11-23T09:00:00.000Z',
    timeZone: 'UTC',
    week: { mon: [['09:00', '10:00']], tue: [['09:00', '10:00']] },
    closed: [],
  } as NonNullable<ScheduleInput['calendar']>;
  const open = openHours(calendar);
  expect(soonestDone([{ id: null, open }], 0, 90)).toBeCloseTo(24 * 60 + 30, 6);
  expect(
    soonestDone(
      [
        { id: 'a', open },
        { id: 'b', open },
      ],
      0,
      90,
    ),
  ).toBeCloseTo(45, 4);
  const due = { ...single([60, 60], [30, 70]), calendar };
  // The second is done on the next morning, at the earliest after half an hour more of work.
  expect(atLeast(due)).toBeCloseTo(24 * 60 + 30 - 70, 6);
});
test('a ticket is done with its last task, and not late before it is', () => {
  const ends = new Map([
    ['a', 10],
    ['b', 30],
  ]);
  expect(doneAt({ tasks: ['a', 'b', 'unknown'] }, ends)).toBe(30);
  const ticket = { id: 'A', tasks: ['a', 'b'], due: 40 };
  expect(totalLateness([ticket, { ...ticket, due: 25 }, { ...ticket, due: 5 }], ends)).toBe(30);
});
