// What the core says of four whole jobs and of many questions, word for word, beside what it said before: a change of behaviour is seen here as
// a line that reads otherwise, and is either meant or a fault. When it is meant: TOLD=anew, and read the difference.
import { describe, expect, test } from '@jest/globals';
import { createHash } from 'node:crypto';
import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import {
  applyOptions,
  benchJob,
  benchQuestion,
  benchRow,
  benchSummary,
  chanceFrom,
  deciderWords,
  estimateOptions,
  findingKinds,
  foldShop,
  gaugeOfReading,
  gaugeShows,
  hiddenInstrument,
  instrumentType,
  jobAssembly,
  jobPlan,
  jobRecord,
  judgeJob,
  lengthUnits,
  lightClocks,
  measureGroups,
  measuringPoints,
  planBasis,
  planTurns,
  practiceNames,
  printFraction,
  printPhrase,
  printLength,
  printWithUncertainty,
  pointOf,
  quickSchedule,
  rodStack,
  runSolver,
  scopes,
  shelfGauges,
  solvers,
  tolerance,
  toleranceNames,
  toleranceWords,
  trueFigure,
  usualGauge,
  whatDecides,
  whyStep,
  type Chance,
  type BenchRow,
  type InstrumentType,
  type JobJudgement,
  type JobState,
  type LengthUnit,
  type Phrase,
  type PlanOutput,
  type ReportFact,
  type ShelfGauge,
  type ScheduleOutput,
  type ShopEntry,
  type TrueInstrument,
  type MeasuringPoint,
} from '../src';
import { sampleOf, type Schema } from './fromSchema';
import { TestJob } from './testJob';

const now = '2026-11-24T09:00:00.000Z';
const stories = [
  { ticket: 'LL-201', id: 'alto-saxophone', family: 'saxophone', practice: 'stage', scope: 'overhaul', unit: 'mm' },
  { ticket: 'LL-202', id: 'oboe', family: 'oboe', practice: 'keeper', scope: 'repair', unit: 'in' },
  { ticket: 'LL-203', id: 'concert-flute', family: 'flute', practice: 'steady', scope: 'overhaul', unit: 'thou' },
  { ticket: 'LL-204', id: 'b-flat-clarinet', family: 'clarinet', practice: 'steady', scope: 'repair', unit: 'mm' },
] as const;
const shopEntry = (kind: string, body: object, seq: number) =>
  ({
    id: `00000000-0000-4000-8000-00000000000${seq}`,
    kind,
    body,
    author: 'Juno Tam',
    benchTime: now,
    receivedAt: now,
    seq,
  }) as unknown as ShopEntry;
const shop = foldShop([
  shopEntry('rates', { currency: 'EUR', hourly: 6400, taxPercent: 19, roundTo: 50 }, 1),
  shopEntry('price', { id: 'pad', what: 'Pad', kind: 'part', amount: 310, per: 'pads', operations: ['renew-pads'] }, 2),
  shopEntry('person', { id: 'juno', name: 'Juno Tam', skills: [] }, 3),
  shopEntry('person', { id: 'ori', name: 'Ori', skills: ['keys', 'pads'] }, 4),
]);

const lines: string[] = [];
/** What is left of a difference that should be nothing is told as nothing. */
const round = (value: number) => (Math.abs(value) < 1e-9 ? 0 : Number(value.toPrecision(5)));
/** What stands in the logbook, not in what is said of it. */
const passedOver = new Set(['points', 'heights', 'diameters', 'evidence', 'newestSeq', 'seatInput', 'entry', 'gauge']);
/** Of long lists the beginning is told, and how long they are. */
const mostTold = 10;
const cut = (list: readonly unknown[]) =>
  list.length > mostTold ? [...list.slice(0, mostTold), `and ${list.length - mostTold} more`] : list;
/** The unit of the job that is told. */
let unit: LengthUnit = 'mm';
const spoken = new Set(['says', 'missing', 'cause', 'remedy', 'why', 'said']);
function tidy(key: string, value: unknown): unknown {
  if (passedOver.has(key)) return undefined;
  if (spoken.has(key) && Array.isArray(value)) return printPhrase(value as Phrase, unit);
  if (typeof value === 'number') return round(value);
  return Array.isArray(value) ? cut(value) : value;
}
/** One line: plain values side by side, figures to five digits. */
const say = (...values: unknown[]) =>
  lines.push(values.map((value) => (typeof value === 'string' ? value : JSON.stringify(value, tidy))).join(' | '));

/** Every few parts of everything a technician meets: bent, worn, loose, oval, weak. */
function worn(truth: TrueInstrument, chance: Chance): TrueInstrument {
  const some = <T>(map: Map<string, T>, change: (value: T) => Partial<T>) => {
    for (const value of map.values()) if (chance.uniform() < 0.3) Object.assign(value as object, change(value));
  };
  const up = (most: number) => chance.uniform() * most;
  some(truth.rims, () => ({ saddle: up(0.2), saddleClock: up(180), tilt: up(0.2), dent: up(0.1), dentClock: up(360) }));
  some(truth.pads, () => ({ side: up(0.2), thickness: up(0.2), roughness: up(0.03) }));
  some(truth.hinges, () => ({ clearance: up(0.15), endPlay: up(0.2), rise: up(0.2), wear: up(0.2) }));
  some(truth.joints, () => ({ clearance: up(0.3), taper: up(0.1), tenonOvality: up(0.2), gouge: up(40) }));
  some(truth.tubes, ({ dents }) => ({
    bend: { at: 60 + up(200), clock: up(360), degrees: up(0.4) },
    dents: [...dents, { at: 40 + up(200), clock: up(360), depth: up(0.4), halfWidth: 8 + up(12) }],
  }));
  some(truth.posts, () => ({ lean: up(4), lift: up(0.4) }));
  some(truth.springs, ({ force }) => ({ force: force * (0.3 + up(1.6)) }));
  for (const [rod] of truth.rods) if (chance.uniform() < 0.3) truth.rods.set(rod, up(0.2));
  for (const [link] of truth.links) if (chance.uniform() < 0.3) truth.links.set(link, up(0.5));
  return truth;
}

/** The order in which figures were drawn when what is told was written down: a drawing by chance hangs on it. */
function asDrawn(type: InstrumentType): MeasuringPoint[] {
  const rank = (group: MeasuringPoint['group']) => measureGroups.indexOf(group === 'hole' ? 'rim' : group);
  const holes = new Map(type.holes.map(({ id }, i) => [id, i]));
  const along = ({ group, part }: MeasuringPoint) => (rank(group) === rank('rim') ? (holes.get(part) ?? 0) : 0);
  const all = measuringPoints(type).map(pointOf);
  const besides = all.splice(all.length - type.measuringPoints.length);
  return [...all.sort((a, b) => rank(a.group) - rank(b.group) || along(a) - along(b)), ...besides];
}

/** Reads every point of an instrument that a gauge can take, as a hidden true one answers it. */
function readAll(job: TestJob, type: InstrumentType, ticket: string, wanted: (part: string) => boolean): void {
  const chance = chanceFrom(Number(ticket.slice(3)));
  const truth = worn(hiddenInstrument(ticket, type), chance);
  for (const point of asDrawn(type)) {
    const gauge = shelfGauges.find(({ id }) => id === usualGauge[point.measure]) as ShelfGauge;
    const value = trueFigure(type, truth, point, chance);
    if (value === null || !wanted(point.part)) continue;
    const shown = gaugeShows(value, gauge, chance);
    job.write('reading', { point, value: shown, typed: String(shown), gauge: gaugeOfReading(gauge) });
  }
}

const fact = ({ id, words, value, unit: own, uncertainty, limit, verdict }: ReportFact) =>
  say('    ', id, words, [value, own, uncertainty], limit, verdict);
/** How many parts of each group are told in full for each state they are in. */
const toldOfEach = 3;

function tellJudgement({ pads, rims, parts, suggestions }: JobJudgement): void {
  const told = new Map<string, number>();
  const inFull = (group: string, part: string, state: string) => {
    const key = `${group} ${state}`;
    const count = (told.get(key) ?? 0) + 1;
    told.set(key, count);
    if (count > toldOfEach) say(group, part, state);
    return count <= toldOfEach;
  };
  for (const [hole, report] of pads) if (inFull('pad', hole, report.state)) say('pad', hole, report);
  for (const [hole, report] of rims) if (inFull('rim', hole, report.state)) say('rim', hole, report);
  for (const report of parts.values()) {
    if (!inFull(report.group, report.part, report.state)) continue;
    say(
      report.group,
      report.part,
      report.state,
      printPhrase(report.says, unit),
      printPhrase(report.missing, unit),
      report.warnings,
    );
    report.facts.forEach(fact);
    for (const finding of report.findings) say('    ', finding);
  }
  for (const suggestion of suggestions) say('suggests', suggestion, suggestion.evidence.length);
}

/** What would decide a figure that lies too near its limit, and how the tubes on each rod add up. */
function tellDetails(state: JobState, type: InstrumentType, { parts }: JobJudgement): void {
  for (const { group, part, facts } of parts.values())
    for (const each of facts.filter(({ verdict }) => verdict === 'undecided')) {
      const decider = whatDecides(each, shelfGauges);
      say('decides', group, part, each.words, decider, deciderWords(decider));
    }
  for (const { id } of type.rods) say('stack', id, rodStack(state, type, id));
}

function tellPlan(state: JobState, type: InstrumentType, judgement: JobJudgement): void {
  const plan = jobPlan(state, type, judgement, now, planBasis(shop));
  for (const step of plan.steps) {
    const { id, title, stage, minutes, unattended, cautions, status, waitsFor, gate, again, agreement, disturbs } =
      step;
    say('step', id, title, stage, [minutes, unattended], cautions, status, agreement, disturbs);
    const why = whyStep(plan, state, step);
    say(
      '    ',
      waitsFor.map(({ id: before }) => before),
      gate,
      again,
      why,
    );
  }
  say(
    'left',
    plan.left.map(({ finding, reason }) => [finding.kind, finding.part, reason]),
    plan.unkept,
  );
  say('next', plan.next?.id, plan.minutesLeft);
  say('bench', benchSummary(state, type, { judgement, plan }, now));
  for (const { entry, operations: _, ...turn } of planTurns(state, undefined)) say('turned', entry.kind, turn);
  const row = benchRow(state, type, planBasis(shop), now) as BenchRow;
  const { input } = benchQuestion([{ ...benchJob(row, now), dueBy: '2026-12-20' }], shop, now);
  for (const task of quickSchedule(input).tasks) say('task', task);
}

/** A job told at three moments: as it was read, as it was decided, and when some of it was done. */
function tell({ ticket, id, family, practice, scope, unit: own }: (typeof stories)[number]): void {
  unit = own;
  const type = applyOptions(instrumentType(id) as InstrumentType, []);
  const job = new TestJob({ ticket, instrumentType: id, family, practice, scope, unit: own });
  readAll(job, type, ticket, () => true);
  let { state } = job;
  let judgement = judgeJob(state, type);
  say('## As read');
  tellJudgement(judgement);
  tellDetails(state, type, judgement);
  judgement.suggestions.forEach(({ kind, part, severity, key, evidence }, i) =>
    job.write('finding', {
      finding: `00000000-0000-4000-9000-${String(i).padStart(12, '0')}`,
      kind,
      part,
      severity,
      status: i % 7 === 6 ? 'declined' : 'confirmed',
      suggestion: key,
      evidence: evidence.slice(0, 3),
    }),
  );
  ({ state } = job);
  judgement = judgeJob(state, type);
  say('## As decided');
  tellPlan(state, type, judgement);
  for (const option of estimateOptions(state, type, shop)) say('estimate', option);
  const plan = jobPlan(state, type, judgement, now, planBasis(shop));
  plan.steps.slice(0, 6).forEach(({ id: operation, title, disturbs, cures, minutes }, i) => {
    job.minute += 30;
    if (i === 3) {
      job.write('operation-skipped', { operation, title, reason: 'the owner waits', leaves: cures });
      return;
    }
    job.write('operation-started', { operation, cautionsAccepted: [] });
    job.minute += minutes.likely;
    job.write('operation-done', { operation, title, minutes: minutes.likely, disturbs, cures });
  });
  type.sections.slice(0, 2).forEach(({ id: part }, i) =>
    [4, 2, 1].forEach((amount) => {
      job.minute += 10;
      job.write('pass', { pass: i === 0 ? 'straighten' : 'turn-bell', group: 'body-line', part, amount, disturbs: [] });
    }),
  );
  type.pads.forEach(({ hole: part }, i) =>
    job.write('observation', { part, about: 'light', sectors: lightClocks.filter((_, k) => (i >> (k % 5)) % 2 === 1) }),
  );
  const again = new Set([...state.points.values()].map(({ point }) => point.part).slice(0, 40));
  readAll(job, type, ticket, (part) => again.has(part));
  ({ state } = job);
  judgement = judgeJob(state, type);
  say('## When some of it was done');
  tellJudgement(judgement);
  tellPlan(state, type, judgement);
  say('assembly', jobAssembly(state));
  const record = jobRecord(state, type, now, planBasis(shop));
  for (const [part, value] of Object.entries(record ?? {}))
    if (Array.isArray(value)) for (const item of value) say(part, item);
    else say(part, value);
}

/** Every solver asked what its schema lets be asked: most of it is nonsense, and nonsense has its answers too. */
function tellSolvers(): void {
  for (const { name, input } of solvers.values())
    for (let seed = 1; seed <= 30; seed += 1) {
      const { status, ...rest } = runSolver(name, sampleOf(input as Schema, chanceFrom(seed)));
      say(name, seed, status, rest);
    }
}

/** The plan of every kind of finding, by each practice and each body. */
function tellPlans(): void {
  const findings = findingKinds.map((kind, i) => ({
    id: `f${i}`,
    kind,
    part: `part-${i % 9}`,
    severity: (i % 3) + 1,
  }));
  for (const practice of practiceNames)
    for (const [body, family] of [
      ['metal', 'saxophone'],
      ['wood', 'clarinet'],
    ] as const)
      for (const scope of scopes) {
        const about = { family, body, practice, scope, size: { pads: 20, keys: 18, holes: 22 } };
        const whole = runSolver('plan', { ...about, findings, done: [] });
        if (whole.status !== 'solved') throw new Error(`${practice}: ${whole.status}`);
        const { operations, left } = whole.output as PlanOutput;
        for (const { id, minutes, after, cures } of operations) say(practice, body, scope, id, minutes, cures, after);
        for (const each of left) say(practice, body, scope, each);
        if (scope === 'overhaul') continue;
        for (const finding of findings) {
          const one = runSolver('plan', { ...about, findings: [finding], done: [] });
          if (one.status === 'solved')
            say(
              practice,
              body,
              finding.kind,
              (one.output as PlanOutput).operations.map(({ id }) => id),
            );
        }
      }
}

/** Schedules of made-up benches, with people, hours, resources and dates. */
function tellSchedules(): void {
  const week = {
    mon: [['09:00', '12:00']],
    wed: [['13:00', '17:30']],
    fri: [
      ['08:00', '12:30'],
      ['13:00', '16:00'],
    ],
  };
  for (let seed = 1; seed <= 10; seed += 1) {
    const chance = chanceFrom(seed);
    const whole = (most: number) => Math.floor(chance.uniform() * most);
    const tasks = Array.from({ length: 6 + whole(14) }, (_, i) => ({
      id: `t${i}`,
      attended: 5 + whole(120),
      unattended: whole(3) === 0 ? whole(900) : 0,
      after: i > 0 && whole(2) === 0 ? [`t${whole(i)}`] : [],
      ...(whole(4) === 0 && { resource: 'oven' }),
      ...(whole(3) === 0 && { piece: `p${whole(3)}` }),
      ...(seed % 2 === 0 && whole(4) === 0 && { skill: 'pads' }),
      ...(whole(6) === 0 && { notBefore: whole(2000) }),
    }));
    const people = [
      { id: 'a', skills: [] },
      { id: 'b', skills: ['pads'], away: ['2026-03-27'] },
    ];
    const answer = runSolver('schedule', {
      tasks,
      resources: { oven: 1 + (seed % 2) },
      calendar:
        seed % 3 === 0
          ? null
          : { start: '2026-03-26T08:00:00Z', timeZone: 'Europe/Berlin', week, closed: ['2026-04-03'] },
      ...(seed % 2 === 0 && { people }),
      ...(seed % 4 === 0 && {
        aim: 'due',
        dueBy: 3000,
        tickets: [
          { id: 'A', tasks: ['t1', 't2'], dueBy: 600 },
          { id: 'B', tasks: ['t3', 't4', 't5'], dueBy: 2000 },
        ],
      }),
    });
    if (answer.status !== 'solved') throw new Error(`schedule ${seed}: ${answer.status}`);
    const { tasks: placed, ...rest } = answer.output as ScheduleOutput;
    for (const task of placed) say('schedule', seed, task);
    say('schedule', seed, rest);
  }
}

/** Every limit of every practice and kind of instrument. */
function tellLimits(): void {
  for (const name of toleranceNames)
    for (const family of ['flute', 'clarinet', 'saxophone'] as const)
      say(
        name,
        family,
        toleranceWords[name].unit,
        ...practiceNames.map((practice) => tolerance(name, { family, practice })),
      );
}

/** Lengths as they are printed, near every place where the printing turns. */
function tellLengths(): void {
  for (const unit of lengthUnits)
    for (const mm of [0, 0.004, -0.0049, 0.05, 0.0508, 1, 12.7, 25.4, -28.575, 101.6])
      say(unit, mm, printLength(mm, unit), ...[0, 0.0081, 0.05, 1.2].map((u) => printWithUncertainty(mm, u, unit)));
  for (const mm of [0, 0.1, 2.38125, -2.38125, 25.4, 28.575, 25.3, -0.1])
    say(mm, printFraction(mm), printFraction(mm, 8));
}

/** Long lines are kept by their beginning and a digest of all of it: a difference is seen, and told in full. */
const mostKept = 110;
const kept = (line: string) =>
  line.length <= mostKept + 12
    ? line
    : `${line.slice(0, mostKept)} … ${createHash('sha256').update(line).digest('hex').slice(0, 8)}`;

/** Holds what was told against what was told before; only what differs is shown. */
function holds(name: string, tellIt: () => void): void {
  lines.length = 0;
  tellIt();
  const file = join(import.meta.dirname, 'told', `${name}.txt`);
  const after = lines.map(kept);
  if (process.env.TOLD === 'anew') writeFileSync(file, `${after.join('\n')}\n`);
  const before = readFileSync(file, 'utf8').trimEnd().split('\n');
  const differs = lines.flatMap((line, i) => (after[i] === before[i] ? [] : [{ is: line, was: before[i] ?? '' }]));
  expect(differs.slice(0, 3)).toEqual([]);
  expect(after).toHaveLength(before.length);
}

describe.each(stories.filter(({ unit: own }) => own !== 'mm'))('a job in $unit', (story) => {
  test('is told without a millimetre', () => {
    lines.length = 0;
    tell(story);
    // Readings keep what was typed at the gauge.
    const foreign = lines.filter((line) => /\d ?mm\b/.test(line));
    expect(foreign.slice(0, 3)).toEqual([]);
    expect(lines.some((line) => new RegExp(`\\d ${story.unit}\\b`).test(line))).toBe(true);
  });
});

describe('what is said reads as it did', () => {
  test.each(stories)('of $ticket', (story) => holds(story.ticket, () => tell(story)));
  test.each([
    ['solvers', tellSolvers],
    ['plans', tellPlans],
    ['schedules', tellSchedules],
    ['lengths', tellLengths],
    ['limits', tellLimits],
  ])('by the %s', holds);
});
