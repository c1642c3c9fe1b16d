import { dayIn } from '../clock';
import { workedAt } from '../plan';
import type { ClockRunning } from './benchRow';

/** A clock that runs on a step. */
export interface RunningClock extends ClockRunning {
  /** it has run so long that somebody must have forgotten it */
  forgotten: boolean;
}

/** A clock that has run for this many times the longest time of its step was forgotten. */
const forgottenAfter = 3;
/** No step of the bench is worked in one go for longer than this, minutes. */
const longestSitting = 300;

/**
 * The clocks that run in a job, at a moment. One is called forgotten when it has run through a night, longer than anybody
 * sits, or three times the longest time of its step.
 *
 * @param zone the time zone of the shop, whose nights count
 * @param highMinutes the longest time each step should take, by operation id
 */
export function runningClocks(
  clocks: readonly ClockRunning[],
  highMinutes: ReadonlyMap<string, number>,
  now: string,
  zone: string,
): RunningClock[] {
  return clocks.map(({ minutes: before, ...clock }) => {
    const { operation, since } = clock;
    const minutes = workedAt({ workedMinutes: before, runningSince: since }, now);
    const sitting = (Date.parse(now) - Date.parse(since)) / 60_000;
    const most = Math.min(longestSitting, forgottenAfter * (highMinutes.get(operation) ?? longestSitting));
    return { ...clock, minutes, forgotten: sitting > most || dayIn(since, zone) !== dayIn(now, zone) };
  });
}
