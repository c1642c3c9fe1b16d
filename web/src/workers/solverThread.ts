import { wrap, type Remote } from 'comlink';
import type { SolverWorker } from './solver.worker';

export interface SolverThread {
  solver: Remote<SolverWorker>;
  /** it has answered once: loading it takes longer than most questions */
  ready: boolean;
}
let kept: SolverThread | null = null;

/** The thread of this page for single questions: begun with the first, and kept from view to view. */
export function solverThread(): SolverThread {
  if (kept) return kept;
  const thread = new Worker(new URL('./solver.worker.ts', import.meta.url), { type: 'module' });
  const begun: SolverThread = { solver: wrap<SolverWorker>(thread), ready: false };
  kept = begun;
  begun.solver.ready().then(
    () => (begun.ready = true),
    // A thread that cannot be loaded is not asked.
    () => undefined,
  );
  return begun;
}
