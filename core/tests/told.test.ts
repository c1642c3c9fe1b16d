// What the core says of four whole jobs, word for word, beside what it said before: a change of behaviour is seen here as
// a line that reads otherwise, and is either meant or a fault. When it is meant: TOLD=anew, and read the difference.
import { describe, expect, test } from '@jest/globals';
import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import {
  applyOptions,
  benchQuestion,
  benchSummary,
  chanceFrom,
  estimateOptions,
  foldShop,
  gaugeOfReading,
  gaugeShows,
  hiddenInstrument,
  instrumentType,
  jobAssembly,
  jobPlan,
  jobRecord,
  judgeJob,
  measuringPoints,
  planBasis,
  planTurns,
  pointOf,
  quickSchedule,
  shelfGauges,
  trueFigure,
  usualGauge,
  whyStep,
  type InstrumentType,
  type JobJudgement,
  type JobState,
  type ReportFact,
  type ShelfGauge,
  type ShopEntry,
} from '../src';
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
function tidy(key: string, value: unknown): unknown {
  if (passedOver.has(key)) return undefined;
  if (typeof value === 'number') return round(value);
  return Array.isArray(value) ? cut(value) : value;
}
/** One line: plain values side by side, figures to five digits. */
const say = (...values: unknown[]) =>
  lines.push(values.map((value) => (typeof value === 'string' ? value : JSON.stringify(value, tidy))).join(' | '));

/** Reads every point of an instrument that a gauge can take, as a hidden true one answers it. */
function readAll(job: TestJob, type: InstrumentType, ticket: string, wanted: (part: string) => boolean): void {
  const truth = hiddenInstrument(ticket, type);
  const chance = chanceFrom(Number(ticket.slice(3)));
  for (const point of measuringPoints(type).map(pointOf)) {
    const gauge = shelfGauges.find(({ id }) => id === usualGauge[point.measure]) as ShelfGauge;
    const value = trueFigure(type, truth, point, chance);
    if (value === null || !wanted(point.part)) continue;
    const shown = gaugeShows(value, gauge, chance);
    job.write('reading', { point, value: shown, typed: String(shown), gauge: gaugeOfReading(gauge) });
  }
}

const fact = ({ words, value, unit, uncertainty, limit, verdict }: ReportFact) =>
  say('    ', words, [value, unit, uncertainty], limit, verdict);
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
    say(report.group, report.part, report.state, report.says, report.missing, report.warnings);
    report.facts.forEach(fact);
    for (const finding of report.findings) say('    ', finding);
  }
  for (const suggestion of suggestions) say('suggests', suggestion, suggestion.evidence.length);
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
  const ticket = state.intake?.ticket ?? '';
  const { input } = benchQuestion([{ ticket, dueBy: '2026-12-20', state, plan }], shop, now);
  for (const task of quickSchedule(input).tasks) say('task', task);
}

/** A job told at three moments: as it was read, as it was decided, and when some of it was done. */
function tell({ ticket, id, family, practice, scope, unit }: (typeof stories)[number]): string {
  lines.length = 0;
  const type = applyOptions(instrumentType(id) as InstrumentType, []);
  const job = new TestJob({ ticket, instrumentType: id, family, practice, scope, unit });
  readAll(job, type, ticket, () => true);
  let { state } = job;
  let judgement = judgeJob(state, type);
  say('## As read');
  tellJudgement(judgement);
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
  return `${lines.join('\n')}\n`;
}

describe('what is said of a job', () => {
  test.each(stories)('$ticket reads as it did', (story) => {
    const file = join(import.meta.dirname, 'told', `${story.ticket}.txt`);
    const told = tell(story);
    if (process.env.TOLD === 'anew') writeFileSync(file, told);
    const before = readFileSync(file, 'utf8').split('\n');
    const after = told.split('\n');
    const at = after.findIndex((line, i) => line !== before[i]);
    const around = (list: readonly string[]) => (at < 0 ? [] : list.slice(Math.max(0, at - 1), at + 3));
    expect(around(after)).toEqual(around(before));
    expect(after).toHaveLength(before.length);
  });
});
