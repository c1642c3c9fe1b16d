import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { lastOf } from '../steps';
import { doneAt, dueMinutes } from './bounds';
import { prepared } from './solveSchedule';
import { placeTasks } from './placeTasks';
import type { ScheduleInput, ScheduleOutput } from './schedule.schema';

/** Attended minutes of a task that nobody knows for sure. */
export interface TimeRange {
  low: number;
  likely: number;
  high: number;
}

/** When a ticket will be done, as a band, and how likely it is in time. Minutes from the start. */
export interface TicketChance {
  id: string;
  /** share of the runs in which it was in time; null when it has no date */
  chance: number | null;
  /** when it is due, minutes from the start; null when it has no date */
  due: number | null;
  /** one run in ten is done by then, one in two, nine in ten */
  p10: number;
  p50: number;
  p90: number;
}

export interface ChanceProgress {
  run: number;
  runs: number;
}

const usualRuns = 400;
const usualSeed = 7351;
const runsBetweenReports = 20;

/**
 * A time between low and high, likely the most likely: the triangular distribution, by its inverse.
 *
 * @example sampleTime({ low: 10, likely: 20, high: 40 }, 0) // => 10
 */
export function sampleTime({ low, likely, high }: TimeRange, share: number): number {
  if (high <= low) return likely;
  const turn = (likely - low) / (high - low);
  return share < turn
    ? low + Math.sqrt(share * (high - low) * (likely - low))
    : high - Math.sqrt((1 - share) * (high - low) * (high - likely));
}

const quantile = (sorted: readonly number[], share: number) =>
  sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))] ?? 0;

/**
 * How sure a schedule is: its tasks are done in the same order again and again, each time with other attended times
 * drawn from their ranges, and it is counted when each ticket was done. Seeded: the same question gets the same answer.
 * Step by step, so that it can be watched and stopped.
 *
 * Times are drawn independently of each other, so a band is narrower than it would be if a bad day made everything slow.
 *
 * @param ranges by task id; a task without one takes its attended time
 */
export function* chanceSteps(
  input: ScheduleInput,
  schedule: ScheduleOutput,
  ranges: Readonly<Record<string, TimeRange>>,
  { runs = usualRuns, seed = usualSeed }: { runs?: number; seed?: number } = {},
): Generator<ChanceProgress, TicketChance[]> {
  const { jobs, workers, order } = prepared(input);
  const startOf = new Map(schedule.tasks.map(({ id, start }) => [id, start]));
  const place = new Map(order.map((job, i) => [job, i]));
  const inTurn = [...order].sort(
    (a, b) =>
      (startOf.get(jobs[a]?.id ?? '') ?? 0) - (startOf.get(jobs[b]?.id ?? '') ?? 0) ||
      (place.get(a) ?? 0) - (place.get(b) ?? 0),
  );
  const tickets = input.tickets ?? [{ id: 'all', tasks: input.tasks.map(({ id }) => id) }];
  const ends: number[][] = tickets.map(() => []);
  const chance = xoroshiro128plus(seed);
  for (let run = 0; run < runs; run += 1) {
    if (run % runsBetweenReports === 0) yield { run, runs };
    const drawn = jobs.map((job) => {
      const range = Object.hasOwn(ranges, job.id) ? ranges[job.id] : undefined;
      const share = uniformFloat64(chance);
      return range && job.attended > 0 ? { ...job, attended: sampleTime(range, share) } : job;
    });
    const { placed } = placeTasks(drawn, inTurn, workers, input.resources);
    const end = new Map(placed.map((task) => [task.id, task.end]));
    tickets.forEach((ticket, i) => ends[i]?.push(doneAt(ticket, end)));
  }
  return tickets.map(({ id, dueBy }, i) => {
    const sorted = [...(ends[i] ?? [])].sort((a, b) => a - b);
    const due = dueMinutes(dueBy, input.calendar);
    return {
      id,
      due,
      chance: due === null ? null : sorted.filter((end) => end <= due + 1e-9).length / Math.max(1, sorted.length),
      p10: quantile(sorted, 0.1),
      p50: quantile(sorted, 0.5),
      p90: quantile(sorted, 0.9),
    };
  });
}

/** The whole of `chanceSteps` at once. */
export const chanceOfDue = (...question: Parameters<typeof chanceSteps>): TicketChance[] =>
  lastOf(chanceSteps(...question));
