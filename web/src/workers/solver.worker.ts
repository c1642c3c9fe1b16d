import {
  chanceSteps,
  scheduleSteps,
  type TimeRange,
  type ScheduleInput,
  type ScheduleOutput,
} from '@holotonos/core/schedule';
import { runSolver } from '@holotonos/core/solvers';
import { expose } from 'comlink';

/** How long a search keeps the thread before it listens for a stop, ms. */
const sliceMs = 40;
let stopped = false;

/** Walks a long answer in slices: says how far it has come, and gives up with null when it is stopped. */
async function walk<P, T>(steps: Generator<P, T>, tell: (progress: P) => void): Promise<T | null> {
  stopped = false;
  let since = performance.now();
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
    if (performance.now() - since < sliceMs) continue;
    tell(step.value);
    await new Promise((resolve) => setTimeout(resolve));
    if (stopped) return null;
    since = performance.now();
  }
}

/** The solvers, off the page's own thread. */
const api = {
  ready: () => true,
  solve: runSolver,
  /** a better schedule; null when it was stopped */
  schedule: (input: ScheduleInput, tell: (progress: { round: number; rounds: number }) => void) =>
    walk(scheduleSteps(input), tell),
  /** how sure each ticket is; null when it was stopped */
  chance: (
    input: ScheduleInput,
    schedule: ScheduleOutput,
    ranges: Record<string, TimeRange>,
    tell: (progress: { run: number; runs: number }) => void,
  ) => walk(chanceSteps(input, schedule, ranges), tell),
  stop: () => {
    stopped = true;
  },
};
export type SolverWorker = typeof api;

expose(api);
