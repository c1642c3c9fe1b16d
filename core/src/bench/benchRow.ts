import type { InstrumentType } from '../instruments';
import { judgeJob } from '../judgement';
import type { JobState } from '../job';
import {
  actualTimes,
  isOpenStep,
  jobPlan,
  stepMinutes,
  timesOf,
  workedAt,
  type JobPlan,
  type LearnedTimes,
  type PlanBasis,
  type Step,
  type TimesSeen,
} from '../plan';
import { needsOf } from '../materials';
import type { ItemCount } from '../stock';
import type { TimeRange } from '../schedule';
import type { Family } from '../vocabulary';
import { benchSummary, type BenchSummary } from './benchSummary';

/** A step that still takes somebody's time, or cures. */
export interface BenchStep {
  id: string;
  kind: string;
  title: string;
  stage: string;
  status: Step['status'];
  /** as the table or a hand has it, before the shop's own clock */
  table: TimeRange;
  /** done, and only to be looked at again */
  again: boolean;
  unattended: number;
  resource: string | null;
  /** steps in this list that have to be behind it, through whatever is done already */
  after: string[];
  /** steps it waits for now, as its card says */
  waitsFor: string[];
  /** when it has cured, ISO; null where it does not cure */
  curingUntil: string | null;
  /** the clock of a step in hand */
  clock: StepClock | null;
}

/** Minutes on a clock, and since when it runs; null where it stands. */
export interface StepClock {
  minutes: number;
  since: string | null;
}

/** A clock that runs in a job, on a step that may have left the plan since. */
export interface ClockRunning {
  operation: string;
  title: string;
  author: string;
  since: string;
  minutes: number;
}

/** The order within a ticket, as far as it is needed to say what cannot be turned round. */
export interface PlanEdges {
  ticket: string;
  steps: readonly Pick<Step, 'id' | 'title' | 'after'>[];
}

/**
 * All that the bench, the week and the lists need of one ticket, so that none of them has to read its logbook. Plain
 * data; true of one state of the job and one of the shop's own work, until `changesAt`.
 */
export interface BenchRow {
  ticket: string;
  family: Family;
  dueBy: string | null;
  summary: BenchSummary;
  steps: BenchStep[];
  order: PlanEdges['steps'];
  clocks: ClockRunning[];
  /** what its steps took, for the shop to learn from */
  times: TimesSeen[];
  /** what it will still take out of the drawers */
  needs: ItemCount[];
  /** when something of it changes by itself, ISO: a glue has cured, a soak is due; null when nothing will */
  changesAt: string | null;
}

/** Does it still take time of somebody, or of itself? What the owner does not want takes nobody's. */
const counts = (step: Step) => (isOpenStep(step) && step.agreement !== 'refused') || step.status === 'curing';

/** The steps that have to be behind a step before it can start: those still open, through whatever is done already. */
function openBefore(step: Step, byId: ReadonlyMap<string, Step>): string[] {
  const found = new Set<string>();
  const seen = new Set<string>();
  const stack = step.after.map(({ id }) => id);
  for (let id = stack.pop(); id !== undefined; id = stack.pop()) {
    if (seen.has(id)) continue;
    seen.add(id);
    const before = byId.get(id);
    if (!before) continue;
    if (counts(before)) found.add(id);
    else stack.push(...before.after.map((edge) => edge.id));
  }
  return [...found];
}

function benchSteps({ steps }: JobPlan): BenchStep[] {
  const byId = new Map(steps.map((step) => [step.id, step]));
  return steps.filter(counts).map((step) => {
    const { id, kind, title, stage, status, table, again, unattended, resource, waitsFor, curingUntil, state } = step;
    const clock = state && status === 'started' ? { minutes: state.workedMinutes, since: state.runningSince } : null;
    return {
      id,
      kind,
      title,
      stage,
      status,
      table,
      again: again !== null,
      unattended,
      resource,
      after: openBefore(step, byId),
      waitsFor: waitsFor.map((before) => before.id),
      curingUntil,
      clock,
    };
  });
}

/** The clocks that run in a job. */
export const clocksOf = (state: JobState, titles: ReadonlyMap<string, string>): ClockRunning[] =>
  [...state.operations.values()].flatMap(({ operation, title, status, author, runningSince: since, workedMinutes }) =>
    status === 'started' && since !== null
      ? [{ operation, title: titles.get(operation) ?? title, author, since, minutes: workedMinutes }]
      : [],
  );

/**
 * A job as the bench needs it: judged and planned once, when something is written in it.
 *
 * @param basis the shop's own work and cautions; its learned times are left out, they are applied when the row is read
 * @param now ISO 8601
 * @returns null for a job without an intake
 */
export function benchRow(state: JobState, type: InstrumentType, basis: PlanBasis, now: string): BenchRow | null {
  const { learned: _, ...plain } = basis;
  const judgement = judgeJob(state, type, undefined, basis.sizes);
  const plan = jobPlan(state, type, judgement, now, plain);
  const summary = benchSummary(state, type, { judgement, plan }, now);
  if (!summary) return null;
  const changes = [
    ...summary.curing.map(({ until }) => until),
    ...summary.soaking.flatMap(({ until, due }) => (due ? [] : [until])),
  ].sort();
  return {
    ticket: summary.ticket,
    family: type.family,
    dueBy: summary.dueBy,
    summary,
    steps: summary.signedOff ? [] : benchSteps(plan),
    order: plan.steps.map(({ id, title, after }) => ({ id, title, after })),
    clocks: clocksOf(state, new Map(plan.steps.map(({ id, title }) => [id, title]))),
    times: timesOf(actualTimes(state, type, plain.custom)),
    needs: summary.signedOff ? [] : needsOf(state),
    changesAt: changes[0] ?? null,
  };
}

/** A ticket as hands work on it: its steps with the minutes the shop's own clock gives them. */
export interface BenchJob extends PlanEdges {
  dueBy: string | null;
  open: readonly OpenStep[];
}

/** A step of the bench with its time. */
export interface OpenStep extends Omit<BenchStep, 'table' | 'again' | 'clock'> {
  minutes: TimeRange;
  /** minutes on its clock at the moment asked for */
  worked: number;
}

/**
 * The ticket of a row at a moment.
 *
 * @param learned what the shop's own clock says of the table's times
 */
export const benchJob = (
  { ticket, dueBy, family, steps, order }: BenchRow,
  now: string,
  learned: LearnedTimes = {},
): BenchJob => ({
  ticket,
  dueBy,
  steps: order,
  open: steps.map(({ table, again, clock, ...step }) => ({
    ...step,
    minutes: stepMinutes({ kind: step.kind, table, again }, family, { learned }).minutes,
    worked: clock ? workedAt({ workedMinutes: clock.minutes, runningSince: clock.since }, now) : 0,
  })),
});
