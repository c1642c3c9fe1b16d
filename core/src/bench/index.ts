export * from './benchRow';
export * from './benchSchedule';
export * from './benchSummary';
export * from './timers';
export * from './whatFits';
