import type { Problem, Solver } from '../solvers/contract';
import { scheduleInput, scheduleOutput, weekdays, type ScheduleInput, type ScheduleOutput } from './schedule.schema';
import { solveSchedule } from './solveSchedule';

function knownZone(timeZone: string): boolean {
  try {
    return Boolean(new Intl.DateTimeFormat('en', { timeZone }));
  } catch {
    return false;
  }
}

function check({ tasks, calendar }: ScheduleInput): Problem[] {
  const problems: Problem[] = [];
  const seen = new Set<string>();
  tasks.forEach(({ id }, i) => {
    if (seen.has(id)) problems.push({ path: `/tasks/${i}/id`, message: `must not repeat “${id}”` });
    seen.add(id);
  });
  if (!calendar) return problems;
  if (!knownZone(calendar.timeZone)) problems.push({ path: '/calendar/timeZone', message: 'is not a known time zone' });
  for (const day of weekdays) {
    calendar.week[day]?.forEach(([opens, closes], i) => {
      if (opens >= closes)
        problems.push({
          path: `/calendar/week/${day}/${i}`,
          message: `must run from early to late, not ${opens} to ${closes}`,
        });
    });
  }
  return problems;
}

export const scheduleSolver: Solver<ScheduleInput, ScheduleOutput> = {
  name: 'schedule',
  title: 'Put hands and hours to it',
  input: scheduleInput,
  output: scheduleOutput,
  check,
  solve: solveSchedule,
};
