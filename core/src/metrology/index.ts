export * from './clock';
export * from './circularRuns';
export * from './leastSquares';
export * from './unsolvable';
export * from './gauge';
export * from './conformity.schema';
export * from './conformity';
export * from './conformity.solver';
