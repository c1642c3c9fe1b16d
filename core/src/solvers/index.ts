export { errorDocument, type Problem, type SolverResult } from './contract';
export { solvers } from './registry';
export { runSolver, runSolverOnText } from './runSolver';
