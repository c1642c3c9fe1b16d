export * from './rim.schema';
export * from './solveRim';
export * from './rim.solver';
