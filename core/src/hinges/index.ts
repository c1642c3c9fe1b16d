export type { HingeInput, HingeOutput, HingeRemedy } from './hinge.schema';
export { solveHinge } from './solveHinge';
export { hingeSolver } from './hinge.solver';
