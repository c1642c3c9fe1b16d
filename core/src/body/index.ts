export type { BodyLineInput, BodyLineOutput } from './bodyLine.schema';
export { smallestCylinder, type Centre } from './smallestCylinder';
export { firstLine, solveBodyLine } from './solveBodyLine';
export { bodyLineSolver } from './bodyLine.solver';
