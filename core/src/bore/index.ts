export * from './bore.schema';
export * from './solveBore';
export * from './bore.solver';
