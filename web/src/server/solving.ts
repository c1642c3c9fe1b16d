import 'server-only';
import type { ScheduleInput, ScheduleOutput, SolverResult } from '@holotonos/core';
import { LRUCache } from 'lru-cache';
import { Promise as PoolPromise, type Pool } from 'workerpool';
import { isFull, threads } from './threads';

/** How long a calculation may take, ms. Those of a shop take a second; the rest has been asked of the wrong program. */
const mostMs = 20_000;
/** Calculations that may wait for a thread. */
const mostWaiting = 50;

/** What came of a calculation: its result, or why there is none. */
export type Solved = SolverResult | { status: 'busy' };

/** What a thread runs: one file where there is a build, which `web/serve.mjs` names; else the sources. */
const script = () => process.env.HOLOTONOS_SOLVING ?? 'web/src/workers/solvingFromSource.mjs';

const kept = globalThis as { holotonosSolvers?: Pool; holotonosScheduler?: Pool };
const solvers = () => (kept.holotonosSolvers ??= threads(script(), 2, mostWaiting));
/** Schedules have a thread to themselves: no calculation asked for from outside keeps the bench waiting. */
const scheduler = () => (kept.holotonosScheduler ??= threads(script(), 1, mostWaiting));

const unsolvable = (message: string): Solved => ({ status: 'unsolvable', message, said: [message] });

/**
 * Runs a solver on JSON text on a thread of its own.
 *
 * @returns what `runSolverOnText` gives; `unsolvable` when it takes longer than it may; `busy` when too many wait
 */
export async function solve(name: string, text: string): Promise<Solved> {
  if (isFull(solvers())) return { status: 'busy' };
  try {
    return await solvers().exec('solve', [name, text]).timeout(mostMs);
  } catch (error) {
    if (error instanceof PoolPromise.TimeoutError)
      return unsolvable(`It was not done within ${mostMs / 1000} seconds. Ask for less at once.`);
    throw error;
  }
}

/** A schedule, or why there is none. */
export type Scheduled = { schedule: ScheduleOutput; why?: undefined } | { schedule: null; why: string };

/** Schedules made last: several pages, and everybody who looks at them, ask the same. */
const made = new LRUCache<string, Promise<Scheduled>>({ max: 6 });

/** A schedule at once, worked out beside the requests; the same question is worked out once. */
export function scheduleNow(input: ScheduleInput): Promise<Scheduled> {
  const text = JSON.stringify(input);
  const before = made.get(text);
  if (before) return before;
  const answer = scheduled(text);
  made.set(text, answer);
  answer.catch(() => made.delete(text));
  return answer;
}

async function scheduled(text: string): Promise<Scheduled> {
  const answer: { schedule?: ScheduleOutput; why?: string } = await scheduler().exec('schedule', [text]);
  return answer.schedule ? { schedule: answer.schedule } : { schedule: null, why: answer.why ?? '' };
}
