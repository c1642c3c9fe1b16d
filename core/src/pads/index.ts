export * from './seat.schema';
export * from './solveSeat';
export * from './shimStack';
export * from './seat.solver';
