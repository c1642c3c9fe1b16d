export type { BoreInput, BoreOutput } from './bore.schema';
export { solveBore } from './solveBore';
export { boreSolver } from './bore.solver';
