import { runSolver } from '@holotonos/core/solvers';
import { expose } from 'comlink';

/** The solvers, off the page's own thread. */
const api = { solve: runSolver };
export type SolverWorker = typeof api;

expose(api);
