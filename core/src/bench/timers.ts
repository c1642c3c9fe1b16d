import { dayIn } from '../clock';
import type { JobState } from '../job';
import { workedAt } from '../plan';

/** A clock that runs on a step. */
export interface RunningClock {
  operation: string;
  title: string;
  author: string;
  since: string;
  minutes: number;
  /** it has run so long that somebody must have forgotten it */
  forgotten: boolean;
}

/** A clock that has run for this many times the longest time of its step was forgotten. */
const forgottenAfter = 3;
/** No step of the bench is worked in one go for longer than this, minutes. */
const longestSitting = 300;

/**
 * The clocks that run in a job. One is called forgotten when it has run through a night, longer than anybody sits, or
 * three times the longest time of its step.
 *
 * @param zone the time zone of the shop, whose nights count
 * @param highMinutes the longest time each step should take, by operation id
 */
export function runningClocks(
  state: JobState,
  titles: ReadonlyMap<string, string>,
  highMinutes: ReadonlyMap<string, number>,
  now: string,
  zone: string,
): RunningClock[] {
  return [...state.operations.values()].flatMap((operation) => {
    if (operation.status !== 'started' || operation.runningSince === null) return [];
    const { runningSince: since, author } = operation;
    const minutes = workedAt(operation, now);
    const sitting = (Date.parse(now) - Date.parse(since)) / 60_000;
    const most = Math.min(longestSitting, forgottenAfter * (highMinutes.get(operation.operation) ?? longestSitting));
    const forgotten = sitting > most || dayIn(since, zone) !== dayIn(now, zone);
    return [
      {
        operation: operation.operation,
        title: titles.get(operation.operation) ?? operation.title,
        author,
        since,
        minutes,
        forgotten,
      },
    ];
  });
}
