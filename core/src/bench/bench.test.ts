import { describe, expect, test } from '@jest/globals';
import { flat, sax, TestJob } from '../../tests/testJob';
import { emptyJobState } from '../job';
import { judgeJob } from '../judgement';
import { isOpenStep, jobPlan, learnTimes } from '../plan';
import { solveSchedule } from '../schedule';
import { foldShop, freshShop, type ShopState } from '../shop';
import {
  benchJob,
  benchQuestion,
  benchRow,
  minutesOfWeek,
  planEdges,
  runningClocks,
  splitTask,
  curesNow,
  stretchesOf,
  taskId,
  whatFits,
  whyNotBefore,
  type BenchJob,
  type BenchRow,
} from '.';

const rowOf = (job: TestJob) => benchRow(job.state, sax, {}, job.now) as BenchRow;
const bench = (ticket: string, job: TestJob, dueBy: string | null = null): BenchJob => ({
  ...benchJob(rowOf(job), job.now),
  ticket,
  dueBy,
});
/** The keys in the way of what is known by now are off. */
const off = (job: TestJob) => {
  job.done('strip-some:instrument', { minutes: 0 });
  return job;
};
const crooked = (part: string) => {
  const job = new TestJob();
  job.finding('rim-warped', part);
  return off(job);
};
const now = '2026-11-23T09:00:00.000Z';
const order = (first: [string, string], second: [string, string], seq = 1, withdrawn = false) =>
  ({
    id: `00000000-0000-4000-8000-00000000000${seq}`,
    seq,
    kind: 'bench-order',
    author: 'x',
    benchTime: now,
    body: {
      first: { ticket: first[0], operation: first[1] },
      second: { ticket: second[0], operation: second[1] },
      ...(withdrawn && { withdrawn }),
    },
  }) as never;

describe('the bench as a question to the scheduler', () => {
  test('open steps of every ticket become tasks, in the order of their plans and the shop’s hours', () => {
    const jobs = [bench('A', crooked('e'), '2026-12-01'), bench('B', crooked('g'), '2026-11-24')];
    const { input, tasks, ranges } = benchQuestion(jobs, freshShop, now);
    expect(tasks['A/dress-rim:e']).toMatchObject({
      ticket: 'A',
      operation: 'dress-rim:e',
      title: 'Level the rim: E',
      attended: 15,
    });
    expect(ranges['A/dress-rim:e']).toEqual({ low: 8, likely: 15, high: 35 });
    const out = solveSchedule(input);
    expect(out.late).toEqual([]);
    const start = (id: string) => out.tasks.find((task) => task.id === id)?.start ?? -1;
    // The nearer date goes first.
    expect(start('B/dress-rim:g')).toBe(0);
    expect(start('A/dress-rim:e')).toBeGreaterThan(start('B/dress-rim:g'));
    for (const { id, after } of input.tasks) for (const before of after) expect(start(before)).toBeLessThan(start(id));
  });
  test('what cures now takes no hands, what is in hand only what is left, what is signed off nothing', () => {
    const job = new TestJob();
    const pad = job.finding('pad-worn', 'g');
    job.finding('rim-warped', 'e');
    off(job);
    job.rim('g', flat);
    job.done('replace-pad:g', { cures: [pad] });
    job.minute = 4;
    job.write('operation-started', { operation: 'dress-rim:e', cautionsAccepted: [] });
    job.minute = 8;
    const { tasks } = benchQuestion([bench('A', job)], freshShop, job.now);
    expect(tasks['A/replace-pad:g']).toMatchObject({ status: 'curing', attended: 0, unattended: 2 });
    expect(tasks['A/dress-rim:e']).toMatchObject({ status: 'started', attended: 11 });
    job.write('sign-off', { ownerCautions: [] });
    expect(benchQuestion([bench('A', job)], freshShop, job.now).input.tasks).toEqual([]);
  });
  test('people bring their skills, hours and days away', () => {
    const shop: ShopState = {
      ...freshShop,
      people: [
        { id: 'juno', name: 'Juno Tam', skills: ['regulate'], away: ['2026-11-24'] },
        { id: 'left', name: 'Gone', skills: [], retired: true },
        { id: 'perrin', name: 'Perrin Oake', skills: [] },
      ],
    };
    const { input } = benchQuestion([bench('A', crooked('e'))], shop, now);
    expect(input.people).toEqual([
      { id: 'juno', skills: ['regulate'], away: ['2026-11-24'] },
      { id: 'perrin', skills: [] },
    ]);
    const out = solveSchedule(input);
    expect(out.tasks.find(({ id }) => id === 'A/dress-rim:e')?.person).toBe('perrin');
  });
  test('the hands of a week are those of its people, or one pair of hands in the open hours', () => {
    expect(minutesOfWeek(freshShop)).toBe(5 * (3.5 + 4) * 60);
    const person = (id: string, more: object = {}) => ({ id, name: id, skills: [], ...more });
    const people = [person('a'), person('b', { week: { sat: [['10:00', '10:45']] } }), person('c', { retired: true })];
    expect(minutesOfWeek({ ...freshShop, people } as ShopState)).toBe(2250 + 45);
  });
  test('two people never have one instrument in hand', () => {
    const shop: ShopState = {
      ...freshShop,
      people: ['juno', 'perrin'].map((id) => ({ id, name: id, skills: [] })),
    };
    const job = crooked('e');
    job.finding('rim-warped', 'g');
    job.finding('spring-weak', 'f-key');
    const { tasks } = solveSchedule(benchQuestion([bench('A', job)], shop, now).input);
    const work = tasks.filter(({ start, attendedEnd }) => attendedEnd > start).sort((a, b) => a.start - b.start);
    work.forEach((each, i) => expect(work[i - 1]?.attendedEnd ?? 0).toBeLessThanOrEqual(each.start));
  });
  test('a wish between tickets is kept until it is withdrawn, and passed over where it would close a circle', () => {
    const jobs = [bench('A', crooked('e'), '2026-11-24'), bench('B', crooked('g'), '2026-12-24')];
    const first = (shop: ShopState) => solveSchedule(benchQuestion(jobs, shop, now).input).tasks[0]?.id;
    const wish = order(['B', 'dress-rim:g'], ['A', 'dress-rim:e']);
    expect(first(freshShop)).toBe('A/dress-rim:e');
    expect(first(foldShop([wish]))).toBe('B/dress-rim:g');
    expect(first(foldShop([wish, order(['B', 'dress-rim:g'], ['A', 'dress-rim:e'], 2, true)]))).toBe('A/dress-rim:e');
    const circle = [wish, order(['A', 'dress-rim:e'], ['B', 'dress-rim:g'], 2)];
    expect(first(foldShop(circle))).toBe('B/dress-rim:g');
    expect(first(foldShop([order(['A', 'gone:x'], ['B', 'dress-rim:g'])]))).toBe('A/dress-rim:e');
  });
  test('an impossible order says why, a possible one nothing', () => {
    const jobs = [bench('A', crooked('e')), bench('B', crooked('g'))];
    const shop = foldShop([order(['A', 'play-test:instrument'], ['B', 'dress-rim:g'])]);
    const question = benchQuestion(jobs, shop, now);
    const why = (a: string, b: string) => whyNotBefore(planEdges(jobs), question, a, b);
    expect(why('A/play-test:instrument', 'A/dress-rim:e')).toMatch(/“Level the rim: E” comes before .*: .*play test/i);
    expect(why('A/dress-rim:e', 'A/play-test:instrument')).toBeNull();
    expect(why('B/dress-rim:g', 'A/dress-rim:e')).toMatch(/already waits for/);
    expect(why('A/dress-rim:e', 'B/dress-rim:g')).toBeNull();
    expect(why('A/dress-rim:e', 'A/dress-rim:e')).toMatch(/same step/);
  });
  test('stretches have clock times: work, then cure', () => {
    const job = new TestJob();
    job.finding('pad-worn', 'g');
    off(job);
    job.rim('g', flat);
    const question = benchQuestion([bench('A', job)], freshShop, now);
    const stretches = stretchesOf(question, solveSchedule(question.input));
    const id = taskId('A', 'replace-pad:g');
    expect(stretches.filter(({ task }) => task === id)).toEqual([
      { task: id, kind: 'work', from: now, to: '2026-11-23T09:15:00.000Z', person: null },
      { task: id, kind: 'cure', from: '2026-11-23T09:15:00.000Z', to: '2026-11-23T09:25:00.000Z', person: null },
    ]);
    // What needs no waiting has no stretch of it.
    expect(stretches.filter(({ from, to }) => from >= to)).toEqual([]);
    expect(splitTask(id)).toEqual({ ticket: 'A', operation: 'replace-pad:g' });
    // While the step is only planned nothing cures, whatever the clock says; once it is done it does, until it has.
    const during = '2026-11-23T09:20:00.000Z';
    expect(curesNow(question, stretches, during)).toEqual([]);
    const tasks = {
      ...question.tasks,
      [id]: { ...question.tasks[id], status: 'curing' as const },
    } as typeof question.tasks;
    expect(curesNow({ tasks }, stretches, during).map(({ task }) => task)).toEqual([id]);
    for (const moment of ['2026-11-23T09:14:59.000Z', '2026-11-23T09:25:00.000Z'])
      expect(curesNow({ tasks }, stretches, moment)).toEqual([]);
  });
});

describe('clocks', () => {
  const started = () => {
    const job = crooked('e');
    job.write('operation-started', { operation: 'dress-rim:e', cautionsAccepted: [] });
    return job;
  };
  const clocks = (job: TestJob) => runningClocks(rowOf(job).clocks, new Map([['dress-rim:e', 35]]), job.now, 'UTC');
  test('run, pause, go on, and stop with the step', () => {
    const job = started();
    job.minute = 10;
    expect(clocks(job)).toMatchObject([
      { title: 'Level the rim: E', minutes: 10, forgotten: false, author: 'Juno Tam' },
    ]);
    job.write('timer', { operation: 'dress-rim:e', act: 'pause' });
    job.minute = 60;
    expect(clocks(job)).toEqual([]);
    job.write('timer', { operation: 'dress-rim:e', act: 'resume' });
    job.minute = 65;
    expect(clocks(job)).toMatchObject([{ minutes: 15 }]);
    job.done('dress-rim:e');
    expect(clocks(job)).toEqual([]);
  });
  test('left running are caught, and set right', () => {
    const job = started();
    job.minute = 106;
    expect(clocks(job)[0]?.forgotten).toBe(true);
    job.write('timer', { operation: 'dress-rim:e', act: 'set', minutes: 20 });
    expect(clocks(job)).toEqual([]);
    job.write('timer', { operation: 'dress-rim:e', act: 'resume' });
    job.minute = 110;
    expect(clocks(job)[0]).toMatchObject({ minutes: 24, forgotten: false });
    job.minute = 16 * 60;
    expect(clocks(job)[0]?.forgotten).toBe(true);
  });
});

test('twenty minutes are best spent on what then cures, then on what opens most', () => {
  const rims = new TestJob();
  rims.finding('rim-warped', 'e');
  rims.finding('spring-weak', 'f-key');
  off(rims);
  const pads = new TestJob();
  pads.finding('pad-worn', 'g');
  off(pads);
  pads.rim('g', [0, 0, 0, 0, 0, 0, 0, 0]);
  const jobs = [rims, pads].map((job, i) => bench(`T-${i}`, job));
  const fits = (minutes: number) => whatFits(jobs, minutes).map(({ id }) => id);
  expect(fits(20)).toEqual(['replace-pad:g', 'dress-rim:e', 'retension-spring:f-key']);
  expect(fits(14)).toEqual(['retension-spring:f-key']);
  expect(fits(4)).toEqual([]);
  expect(whatFits(jobs, 20)[0]?.reason).toMatch(/cures by itself/);
});

describe('the row of a ticket', () => {
  const busy = () => {
    const job = crooked('e');
    job.finding('rim-warped', 'g');
    const pad = job.finding('pad-worn', 'f');
    off(job);
    job.rim('f', flat);
    job.done('replace-pad:f', { cures: [pad] });
    job.write('soak', { soak: '00000000-0000-4000-8000-00000000abcd', part: 'low-b-key', with: 'oil', minutes: 5 });
    job.minute = 2;
    job.write('operation-started', { operation: 'dress-rim:e', cautionsAccepted: [] });
    return job;
  };
  test('is plain data, and says when it will no longer be true', () => {
    const job = busy();
    const row = rowOf(job);
    expect(JSON.parse(JSON.stringify(row))).toEqual(row);
    const soaked = new Date(Date.parse(now) + 5 * 60_000).toISOString();
    const cured = new Date(Date.parse(now) + 10 * 60_000).toISOString();
    expect(row.changesAt).toBe(soaked);
    expect(row.summary).toMatchObject({ soaking: [{ due: false }], curing: [{ until: cured }] });
    job.minute = 5;
    expect(rowOf(job)).toMatchObject({ changesAt: cured, summary: { soaking: [{ due: true }] } });
    job.minute = 10;
    expect(rowOf(job)).toMatchObject({ changesAt: null, summary: { curing: [] } });
  });
  test('until then it is the same at every moment', () => {
    const job = busy();
    const row = rowOf(job);
    job.minute = 4.9;
    expect(rowOf(job)).toEqual(row);
    expect(benchJob(row, job.now).open.find(({ id }) => id === 'dress-rim:e')?.worked).toBeCloseTo(2.9, 6);
  });
  test('with the shop’s own clock it has the minutes the plan of the job has', () => {
    const job = busy();
    const learned = learnTimes([
      { kind: 'dress-rim', family: 'saxophone', person: 'x', logs: 8 * Math.log(1.7), times: 8 },
      { kind: 'replace-pad', family: 'flute', person: 'x', logs: 3 * Math.log(0.6), times: 3 },
    ]);
    const { steps } = jobPlan(job.state, sax, judgeJob(job.state, sax), job.now, { learned });
    const wanted = steps.filter((step) => isOpenStep(step) || step.status === 'curing');
    expect(benchJob(rowOf(job), job.now, learned).open.map(({ id, minutes }) => [id, minutes])).toEqual(
      wanted.map(({ id, minutes }) => [id, minutes]),
    );
    expect(wanted.find(({ id }) => id === 'dress-rim:g')?.minutes.likely).toBe(21);
  });
  test('signed off it asks for no hands; of a job without intake there is none', () => {
    const job = busy();
    job.write('sign-off', { ownerCautions: [] });
    expect(rowOf(job)).toMatchObject({ steps: [], summary: { signedOff: true } });
    expect(benchRow(emptyJobState, sax, {}, now)).toBeNull();
  });
});
