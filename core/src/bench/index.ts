export * from './benchSchedule';
export * from './timers';
