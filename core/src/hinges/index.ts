export * from './hinge.schema';
export * from './solveHinge';
export * from './hinge.solver';
