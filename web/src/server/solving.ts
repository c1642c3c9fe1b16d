import 'server-only';
import type { SolverResult } from '@holotonos/core';
import { resolve } from 'node:path';
import { pool, Promise as PoolPromise, type Pool } from 'workerpool';

/** How long a calculation may take, ms. Those of a shop take a second; the rest has been asked of the wrong program. */
const mostMs = 20_000;
/** Calculations that may wait for a thread. */
const mostWaiting = 50;

/** What came of a calculation: its result, or why there is none. */
export type Solved = SolverResult | { status: 'busy' };

/** What a thread runs: one file where there is a build, which `web/serve.mjs` names; else the sources. */
const script = () => resolve(process.env.HOLOTONOS_SOLVING ?? 'web/src/workers/solvingFromSource.mjs');

const kept = globalThis as { holotonosSolvers?: Pool };
const threads = () =>
  (kept.holotonosSolvers ??= pool(script(), {
    workerType: 'thread',
    maxWorkers: 2,
    maxQueueSize: mostWaiting,
  }));

/**
 * Runs a solver on JSON text on a thread of its own.
 *
 * @returns what `runSolverOnText` gives; `unsolvable` when it takes longer than it may; `busy` when too many wait
 */
export async function solve(name: string, text: string): Promise<Solved> {
  if (threads().stats().pendingTasks >= mostWaiting) return { status: 'busy' };
  try {
    return await threads().exec('solve', [name, text]).timeout(mostMs);
  } catch (error) {
    if (error instanceof PoolPromise.TimeoutError)
      return {
        status: 'unsolvable',
        message: `It was not done within ${mostMs / 1000} seconds. Ask for less at once.`,
      };
    throw error;
  }
}
