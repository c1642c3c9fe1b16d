export { solveCork } from './solveCork';
export { corkSolver } from './cork.solver';
export type { CorkOutput } from './cork.schema';
