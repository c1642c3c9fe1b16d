export * from './schedule.schema';
export * from './openTime';
export * from './solveSchedule';
export * from './schedule.solver';
export * from './chanceOfDue';
