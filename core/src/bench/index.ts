export { benchJob, benchRow, clocksOf, type BenchJob, type BenchRow, type PlanEdges } from './benchRow';
export {
  benchQuestion,
  curesNow,
  liveOrders,
  minutesOfWeek,
  planEdges,
  splitTask,
  stretchesOf,
  taskId,
  whyNotBefore,
  type BenchQuestion,
  type Stretch,
} from './benchSchedule';
export { benchSummary, type BenchSummary } from './benchSummary';
export { runningClocks, type RunningClock } from './timers';
export { whatFits, type FittingStep } from './whatFits';
