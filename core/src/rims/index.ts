export type { RimInput, RimOutput } from './rim.schema';
export { solveRim } from './solveRim';
export { rimSolver } from './rim.solver';
