export * from './bodyLine.schema';
export * from './smallestCylinder';
export * from './solveBodyLine';
export * from './bodyLine.solver';
