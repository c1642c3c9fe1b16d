export {
  weekdays,
  type ScheduleCalendar,
  type ScheduleInput,
  type ScheduleOutput,
  type ScheduleTask,
  type ScheduleWeek,
  type Weekday,
} from './schedule.schema';
export { alwaysOpen, openHours, wallMinutes } from './openTime';
export { latenessOf, quickSchedule, scheduleSteps, solveSchedule, toWorkers, type Lateness } from './solveSchedule';
export { scheduleSolver, weekProblems } from './schedule.solver';
export { chanceOfDue, chanceSteps, sampleTime, type TicketChance, type TimeRange } from './chanceOfDue';
