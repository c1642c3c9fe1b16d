import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { everyOrder } from '../../tests/everyOrder';
import { runSolver } from '../solvers';
import {
  alwaysOpen,
  chanceOfDue,
  openHours,
  sampleTime,
  scheduleSteps,
  solveSchedule,
  type ScheduleInput,
  type ScheduleOutput,
  type ScheduleTask,
} from '.';

const task = (id: string, attended: number, unattended = 0, after: string[] = [], resource?: string): ScheduleTask => ({
  id,
  attended,
  unattended,
  after,
  ...(resource !== undefined && { resource }),
});
const job = (tasks: ScheduleTask[], more: Partial<ScheduleInput> = {}): ScheduleInput => ({
  tasks,
  resources: { oven: 1, vice: 2 },
  calendar: null,
  ...more,
});

/** Everything a schedule must hold, looked at the plain way. */
function faults(input: ScheduleInput, out: ScheduleOutput): string[] {
  const open = input.calendar ? openHours(input.calendar) : alwaysOpen;
  const placed = new Map(out.tasks.map((each) => [each.id, each]));
  const found: string[] = [];
  for (const { id, attended, unattended, after } of input.tasks) {
    const here = placed.get(id);
    if (!here) return [`${id} is missing`];
    if (here.start < -1e-9) found.push(`${id} starts before the start`);
    if (attended > 0 && Math.abs(open.begin(here.start) - here.start) > 1e-6) found.push(`${id} starts while closed`);
    const done = attended > 0 ? open.finish(here.start, attended) : here.start;
    if (Math.abs(done - here.attendedEnd) > 1e-6) found.push(`${id} is not worked its time`);
    if (Math.abs(here.attendedEnd + unattended - here.end) > 1e-6) found.push(`${id} does not run on`);
    for (const before of after)
      if ((placed.get(before)?.end ?? 0) > here.start + 1e-6) found.push(`${id} before ${before}`);
  }
  const hands = out.tasks.filter(({ start, attendedEnd }) => attendedEnd > start).sort((a, b) => a.start - b.start);
  hands.forEach((each, i) => {
    const before = hands[i - 1];
    if (before && before.attendedEnd > each.start + 1e-6) found.push(`${before.id} and ${each.id} share the hands`);
  });
  for (const [name, capacity] of Object.entries(input.resources)) {
    const holders = input.tasks
      .filter(({ resource }) => resource === name)
      .map(({ id }) => placed.get(id))
      .filter((each) => each !== undefined);
    for (const { start } of holders) {
      const holding = holders.filter((each) => each.start <= start + 1e-6 && each.end > start + 1e-6).length;
      if (holding > capacity) found.push(`${name} is held ${holding} times at ${start}`);
    }
  }
  if (Math.abs(Math.max(0, ...out.tasks.map(({ end }) => end)) - out.makespan) > 1e-6) found.push('makespan');
  if (out.lowerBound > out.makespan + 1e-6) found.push('the lower bound is above the schedule');
  return found;
}

const week = Object.fromEntries(
  ['mon', 'tue', 'wed', 'thu', 'fri'].map((day) => [
    day,
    [
      ['09:00', '12:30'],
      ['13:30', '17:00'],
    ],
  ]),
);
const calendar = {
  start: '2026-11-23T08:00:00Z',
  timeZone: 'Europe/Berlin',
  week,
  closed: ['2026-11-25'],
} as ScheduleInput['calendar'];

const anyTasks = fc
  .array(
    fc.record({
      attended: fc.integer({ min: 0, max: 60 }),
      unattended: fc.constantFrom(0, 0, 30, 240),
      resource: fc.constantFrom(undefined, undefined, 'oven', 'vice'),
      links: fc.array(fc.nat(30), { maxLength: 3 }),
    }),
    { maxLength: 25 },
  )
  .map((list) =>
    list.map(({ attended, unattended, resource, links }, i) =>
      task(
        `t${i}`,
        attended,
        unattended,
        [...new Set(links.filter((link) => link < i))].map((link) => `t${link}`),
        resource,
      ),
    ),
  );

describe('schedule', () => {
  test('glue cures while other work is done', () => {
    const out = solveSchedule(job([task('polish', 30), task('glue', 10, 60), task('fit', 20, 0, ['glue'])]));
    expect(out.makespan).toBe(90);
    expect(out.tasks[0]?.id).toBe('glue');
    expect(out).toMatchObject({ lowerBound: 90, gap: 0, criticalPath: ['glue', 'fit'], late: [] });
  });

  test('one oven holds up the second batch', () => {
    const out = solveSchedule(job([task('a', 5, 60, [], 'oven'), task('b', 5, 60, [], 'oven')]));
    expect(out.makespan).toBe(130);
    expect(out.lowerBound).toBe(130);
  });

  test('nothing to do takes no time', () => {
    expect(solveSchedule(job([]))).toEqual({
      tasks: [],
      makespan: 0,
      lowerBound: 0,
      gap: 0,
      criticalPath: [],
      late: [],
    });
  });

  test('always valid, with a true lower bound, and the same every time', () => {
    fc.assert(
      fc.property(anyTasks, fc.boolean(), (tasks, withCalendar) => {
        const input = job(tasks, withCalendar ? { calendar } : {});
        const out = solveSchedule(input);
        expect(faults(input, out)).toEqual([]);
        expect(solveSchedule(input)).toEqual(out);
      }),
      { numRuns: 25 },
    );
  });

  test('is as good as the best order there is, on jobs small enough to try them all', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: 1, max: 30 }), fc.integer({ min: 0, max: 90 })), {
          minLength: 2,
          maxLength: 6,
        }),
        (list) => {
          const best = Math.min(
            ...everyOrder(list.map((_, i) => i)).map((order) => {
              let hands = 0;
              return Math.max(...order.map((i) => (hands += list[i]?.[0] ?? 0) + (list[i]?.[1] ?? 0)));
            }),
          );
          expect(solveSchedule(job(list.map(([a, u], i) => task(`t${i}`, a, u)))).makespan).toBe(best);
        },
      ),
      { numRuns: 40 },
    );
  });

  test('what is late is named, ticket by ticket and task by task', () => {
    const tasks = [task('a', 60), task('b', 60, 0, ['a'])];
    const out = solveSchedule(
      job(tasks, {
        dueBy: 100,
        tickets: [
          { id: 'LL-1', tasks: ['a'], dueBy: 60 },
          { id: 'LL-2', tasks: ['b'], dueBy: 60 },
        ],
      }),
    );
    expect(out.late).toEqual(['LL-2', 'b']);
  });

  test('a circle and a stranger have no schedule, and are named', () => {
    const refused = (tasks: ScheduleTask[]) => runSolver('schedule', job(tasks));
    expect(refused([task('a', 1, 0, ['b']), task('b', 1, 0, ['a'])])).toMatchObject({
      status: 'unsolvable',
      message: expect.stringMatching(/a → b → a|b → a → b/),
    });
    expect(refused([task('a', 1, 0, ['ghost'])])).toMatchObject({
      status: 'unsolvable',
      message: expect.stringContaining('ghost'),
    });
    expect(refused([task('a', 1, 0, [], 'lathe')])).toMatchObject({
      status: 'unsolvable',
      message: expect.stringContaining('lathe'),
    });
    expect(refused([task('a', 1), task('a', 1)])).toMatchObject({
      status: 'invalid-input',
      problems: [{ path: '/tasks/1/id' }],
    });
    expect(
      runSolver('schedule', job([task('a', 1)], { calendar: { ...calendar, week: {} } as ScheduleInput['calendar'] }))
        .status,
    ).toBe('unsolvable');
    expect(
      runSolver('schedule', job([], { calendar: { ...calendar, timeZone: 'Mars/Base' } as ScheduleInput['calendar'] })),
    ).toMatchObject({ problems: [{ path: '/calendar/timeZone' }] });
  });
});

describe('open hours', () => {
  test('begin in the morning, pause over the break, stand still on a closed day', () => {
    const open = openHours(calendar as NonNullable<ScheduleInput['calendar']>);
    // 08:00 UTC is 09:00 in Berlin in November; minutes count from there.
    expect(open.begin(0)).toBe(0);
    expect(open.finish(0, 210)).toBe(210);
    expect(open.finish(0, 211)).toBe(271);
    expect(open.begin(215)).toBe(270);
    // Seven open hours a day: the eighth hour is Tuesday's first.
    expect(open.finish(0, 480)).toBe(24 * 60 + 60);
    // Wednesday is closed: after Monday and Tuesday comes Thursday.
    expect(open.begin(2 * 24 * 60)).toBe(3 * 24 * 60);
  });
  test('summer time moves the hour, not the shop', () => {
    const spring = {
      start: '2026-03-28T00:00:00Z',
      timeZone: 'Europe/Berlin',
      week: { sat: [['09:00', '10:00']], sun: [['09:00', '10:00']] },
      closed: [],
    } as NonNullable<ScheduleInput['calendar']>;
    const open = openHours(spring);
    expect(open.begin(0)).toBe(8 * 60);
    expect(open.begin(600)).toBe(24 * 60 + 7 * 60);
  });
});

describe('several people', () => {
  const people = [
    { id: 'ottoline', skills: [] },
    { id: 'juno', skills: ['pads'], away: ['2026-11-24'] },
  ];
  const anySkilled = anyTasks.map((tasks) =>
    tasks.map((each, i) => ({ ...each, skill: ['pads', 'keys', 'body'][i % 3] as string })),
  );
  test('nobody does two things at once, nobody does what they cannot, and the bound stays true', () => {
    fc.assert(
      fc.property(anySkilled, fc.boolean(), (tasks, withCalendar) => {
        const input = job(tasks, { people, ...(withCalendar && { calendar }) });
        const out = solveSchedule(input);
        expect(out.makespan).toBeGreaterThanOrEqual(out.lowerBound - 1e-6);
        const alone = solveSchedule(job(tasks, withCalendar ? { calendar } : {}));
        expect(out.lowerBound).toBeLessThanOrEqual(alone.makespan + 1e-6);
        const placed = new Map(out.tasks.map((each) => [each.id, each]));
        for (const { id, attended, after, skill } of tasks) {
          const here = placed.get(id);
          for (const before of after) expect(placed.get(before)?.end).toBeLessThanOrEqual((here?.start ?? -1) + 1e-6);
          if (attended > 0) expect(here?.person === 'juno' ? skill : 'pads').toBe('pads');
        }
        for (const { id } of people) {
          const mine = out.tasks.filter((each) => each.person === id && each.attendedEnd > each.start);
          mine.forEach((each, i) => expect(mine[i - 1]?.attendedEnd ?? 0).toBeLessThanOrEqual(each.start + 1e-6));
        }
      }),
      { numRuns: 15 },
    );
  });
  test('two pairs of hands halve what can be shared', () => {
    const tasks = ['a', 'b', 'c', 'd'].map((id) => ({ ...task(id, 30), skill: 'pads' }));
    expect(solveSchedule(job(tasks, { people })).makespan).toBe(60);
    expect(solveSchedule(job(tasks)).makespan).toBe(120);
  });
  test('one piece is in one pair of hands at a time, while it may cure beside other work', () => {
    const on = (id: string, attended: number, unattended = 0) => ({
      ...task(id, attended, unattended),
      skill: 'pads',
      piece: 'sax',
    });
    const two = [on('a', 30), on('b', 30), { ...task('c', 30), skill: 'pads', piece: 'oboe' }];
    const out = solveSchedule(job(two, { people }));
    expect(out.makespan).toBe(60);
    const [a, b] = ['a', 'b'].map((id) => out.tasks.find((each) => each.id === id));
    expect(Math.max(a?.start ?? 0, b?.start ?? 0)).toBe(30);
    expect(solveSchedule(job([on('a', 30, 100), on('b', 30)], { people })).makespan).toBe(130);
  });
  test('days away are not worked', () => {
    const out = solveSchedule(
      job(
        [
          { ...task('a', 60), skill: 'pads' },
          { ...task('b', 500), skill: 'keys' },
          { ...task('c', 800), skill: 'pads' },
        ],
        {
          people,
          calendar,
        },
      ),
    );
    const juno = openHours({
      ...(calendar as NonNullable<ScheduleInput['calendar']>),
      closed: ['2026-11-24', '2026-11-25'],
    });
    for (const { id, person, start, attendedEnd } of out.tasks) {
      const minutes = { a: 60, b: 500, c: 800 }[id] ?? 0;
      if (person === 'juno') expect(juno.finish(start, minutes)).toBeCloseTo(attendedEnd, 6);
    }
  });
  test('work nobody can do is named', () => {
    const only = [{ id: 'juno', skills: ['pads'] }];
    expect(runSolver('schedule', job([{ ...task('a', 10), skill: 'body' }], { people: only }))).toMatchObject({
      status: 'unsolvable',
      message: expect.stringMatching(/“a”.*“body”/),
    });
    expect(runSolver('schedule', job([], { people: [...only, ...only] }))).toMatchObject({
      problems: [{ path: '/people/1/id' }],
    });
  });
});

describe('tickets in time first', () => {
  test('a ticket that is due goes before a longer one that is not, though all would end no sooner', () => {
    const tasks = [task('long', 100, 200), task('short', 10)];
    const tickets = [
      { id: 'L', tasks: ['long'], dueBy: 1000 },
      { id: 'S', tasks: ['short'], dueBy: 30 },
    ];
    expect(solveSchedule(job(tasks, { tickets })).late).toEqual(['S']);
    const out = solveSchedule(job(tasks, { tickets, aim: 'due' }));
    expect(out.late).toEqual([]);
    expect(out.tasks[0]?.id).toBe('short');
  });
  test('a task does not start before its time', () => {
    const out = solveSchedule(job([{ ...task('a', 10), notBefore: 45 }, task('b', 20)]));
    expect(out.tasks.map(({ id, start }) => [id, start])).toEqual([
      ['b', 0],
      ['a', 45],
    ]);
    expect(out.lowerBound).toBe(55);
  });
});

describe('a long search', () => {
  const hard = job(
    Array.from({ length: 60 }, (_, i) =>
      task(`t${i}`, 5 + ((i * 7) % 30), (i * 37) % 90, i > 3 ? [`t${i - 3}`] : [], i % 3 === 0 ? 'oven' : undefined),
    ),
  );
  test('says how far it has come, and can be left', () => {
    const steps = scheduleSteps(hard);
    const first = steps.next();
    expect(first).toMatchObject({ done: false, value: { round: 0 } });
    const second = steps.next();
    expect(second.done ? null : second.value.round).toBeGreaterThan(0);
    expect(steps.return(null as never).done).toBe(true);
  });
});

describe('how sure it is', () => {
  const input = job([task('a', 20), task('b', 30, 60, ['a']), task('c', 10)], {
    tickets: [
      { id: 'T', tasks: ['a', 'b'], dueBy: 120 },
      { id: 'U', tasks: ['c'] },
    ],
  });
  const schedule = solveSchedule(input);
  const ranges = { a: { low: 10, likely: 20, high: 60 }, b: { low: 20, likely: 30, high: 50 } };
  test('a date that every run meets is certain, one that none meets hopeless, and the band rises', () => {
    const at = (dueBy: number) =>
      chanceOfDue({ ...input, tickets: [{ id: 'T', tasks: ['a', 'b'], dueBy }] }, schedule, ranges)[0];
    expect(at(180)?.chance).toBe(1);
    expect(at(80)?.chance).toBe(0);
    expect(at(130)?.chance).toBeGreaterThan(0.2);
    expect(at(130)?.chance).toBeLessThan(0.95);
    const { p10 = 0, p50 = 0, p90 = 0 } = at(130) ?? {};
    expect(p10).toBeLessThan(p50);
    expect(p50).toBeLessThan(p90);
  });
  test('the same question gets the same answer; a later date is never less likely', () => {
    expect(chanceOfDue(input, schedule, ranges)).toEqual(chanceOfDue(input, schedule, ranges));
    const chances = [100, 115, 130, 145, 170].map(
      (dueBy) =>
        chanceOfDue({ ...input, tickets: [{ id: 'T', tasks: ['b'], dueBy }] }, schedule, ranges)[0]?.chance ?? -1,
    );
    expect(chances).toEqual([...chances].sort((a, b) => a - b));
  });
  test('without ranges there is no doubt', () => {
    const [t, u] = chanceOfDue(input, schedule, {});
    expect(t).toMatchObject({ p10: 110, p50: 110, p90: 110, chance: 1 });
    expect(u?.chance).toBeNull();
  });
  test('drawn times lie in their range, and their mean is that of the triangle', () => {
    const range = { low: 10, likely: 20, high: 60 };
    const drawn = Array.from({ length: 2001 }, (_, i) => sampleTime(range, i / 2000));
    expect(Math.min(...drawn)).toBe(10);
    expect(Math.max(...drawn)).toBe(60);
    expect(drawn.reduce((sum, x) => sum + x, 0) / drawn.length).toBeCloseTo(30, 1);
    expect(sampleTime({ low: 5, likely: 5, high: 5 }, 0.3)).toBe(5);
  });
});

describe('a few bytes ask for a bounded answer', () => {
  const oneMinute = { ...calendar, week: { mon: [['09:00', '09:01']] }, closed: [] } as ScheduleInput['calendar'];
  const inTime = (input: ScheduleInput, ms: number) => {
    const begun = performance.now();
    const result = runSolver('schedule', input);
    // Ten times what it takes: these ran for minutes, or for ever.
    expect(performance.now() - begun).toBeLessThan(ms);
    return result;
  };

  test('open hours are summed up, not walked: a thousand weeks of a minute each', () => {
    const result = inTime(job([task('a', 1000)], { calendar: oneMinute }), 5000);
    // The 1000th Monday, one minute past nine in Berlin, in minutes from Monday 09:00 there.
    const end = Date.parse('2046-01-15T08:01:00Z');
    expect((result as { output: ScheduleOutput }).output.makespan).toBe(
      (end - Date.parse('2026-11-23T08:00:00Z')) / 60_000,
    );
  });

  test.each([1e4, 1e5, 1e7])(
    'work of %i minutes that no year known here would see done is unsolvable, at once',
    (attended) => {
      const result = inTime(job([task('a', attended)], { calendar: oneMinute }), 10_000);
      expect(result).toMatchObject({
        status: 'unsolvable',
        message: expect.stringMatching(/not be done before the year 2100/),
      });
    },
  );

  test('a thousand places on one resource are counted, not compared', () => {
    const tasks = Array.from({ length: 2000 }, (_, i) => task(`t${i}`, 0, 10, [], 'rack'));
    const result = inTime(job(tasks, { resources: { rack: 1000 } }), 10_000);
    expect((result as { output: ScheduleOutput }).output.makespan).toBe(20);
  });

  test('fifty people with hours cut to minutes are refused with the reason', () => {
    const minutes = Array.from({ length: 24 }, (_, hour) => {
      const at = String(hour).padStart(2, '0');
      return [`${at}:00`, `${at}:01`] as [string, string];
    });
    const days = ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'].map((day) => [day, minutes]);
    const input = job(
      Array.from({ length: 2000 }, (_, i) => task(`t${i}`, 500 + i)),
      {
        calendar: { ...calendar, week: Object.fromEntries(days) } as ScheduleInput['calendar'],
        people: Array.from({ length: 50 }, (_, i) => ({ id: `p${i}`, skills: [] })),
      },
    );
    expect(inTime(input, 30_000)).toMatchObject({ status: 'unsolvable', message: expect.stringMatching(/openings/) });
  });

  test('lists are bounded by the schema', () => {
    const long = Array.from({ length: 2001 }, (_, i) => `t${i}`);
    for (const input of [
      job([task('a', 1, 0, long)]),
      job([], { tickets: [{ id: 'k', tasks: long }] }),
      job([], { resources: Object.fromEntries(long.map((id) => [id, 1])) }),
    ])
      expect(runSolver('schedule', input)).toMatchObject({ status: 'invalid-input' });
  });
});

describe('open hours by their sums', () => {
  test('the same as minute by minute, over both changes of the clock', () => {
    for (const start of ['2026-03-26T07:11:30Z', '2026-10-23T06:00:00Z', '2026-11-27T16:20:00Z']) {
      const hours = openHours({
        ...calendar,
        start,
        week: { ...week, sat: [['22:00', '24:00']], sun: [['00:00', '04:00']] },
      } as never);
      const zone = new Intl.DateTimeFormat('en-GB', {
        timeZone: 'Europe/Berlin',
        weekday: 'short',
        hour: '2-digit',
        minute: '2-digit',
        hourCycle: 'h23',
      });
      const isOpen = (minute: number) => {
        const parts = zone.formatToParts(Date.parse(start) + minute * 60_000);
        const part = (type: string) => parts.find((each) => each.type === type)?.value ?? '';
        const [day, at] = [part('weekday'), `${part('hour')}:${part('minute')}`];
        if (day === 'Sat') return at >= '22:00';
        if (day === 'Sun') return at < '04:00';
        return (at >= '09:00' && at < '12:30') || (at >= '13:30' && at < '17:00');
      };
      let worked = 0;
      // Half a minute in, so that a start between two minutes does not matter.
      const offset = ((60_000 - (Date.parse(start) % 60_000)) % 60_000) / 60_000;
      for (let minute = offset; minute < 4 * 24 * 60; minute += 1) {
        if (isOpen(minute + 0.5)) worked += 1;
        const counted = hours.between(offset, minute + 1);
        if (Math.abs(counted - worked) > 1e-6)
          throw new Error(`${start}: ${counted} for ${worked} after ${minute + 1}`);
        if (isOpen(minute + 0.5) && Math.abs(hours.finish(offset, worked) - minute - 1) > 1e-6)
          throw new Error(`${start}: ${worked} minutes end at ${hours.finish(offset, worked)}, not ${minute + 1}`);
      }
      expect(worked).toBeGreaterThan(300);
    }
  });
});
