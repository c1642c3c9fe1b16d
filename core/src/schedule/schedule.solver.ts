import { isTimeZone } from '../clock';
import type { Problem, Solver } from '../solvers/contract';
import {
  scheduleInput,
  scheduleOutput,
  weekdays,
  type ScheduleInput,
  type ScheduleOutput,
  type ScheduleWeek,
} from './schedule.schema';
import { solveSchedule } from './solveSchedule';

/** Spans of a week that do not run from early to late. */
export const weekProblems = (week: ScheduleWeek, path: string): Problem[] =>
  weekdays.flatMap((day) =>
    (week[day] ?? []).flatMap(([opens, closes], i) =>
      opens < closes
        ? []
        : [{ path: `${path}/${day}/${i}`, message: `must run from early to late, not ${opens} to ${closes}` }],
    ),
  );

function check({ tasks, calendar, people = [] }: ScheduleInput): Problem[] {
  const problems: Problem[] = [];
  const seen = new Set<string>();
  tasks.forEach(({ id }, i) => {
    if (seen.has(id)) problems.push({ path: `/tasks/${i}/id`, message: `must not repeat “${id}”` });
    seen.add(id);
  });
  const known = new Set<string>();
  people.forEach(({ id, week = {} }, i) => {
    if (known.has(id)) problems.push({ path: `/people/${i}/id`, message: `must not repeat “${id}”` });
    known.add(id);
    problems.push(...weekProblems(week, `/people/${i}/week`));
  });
  if (!calendar) return problems;
  if (!isTimeZone(calendar.timeZone))
    problems.push({ path: '/calendar/timeZone', message: 'is not a known time zone' });
  return [...problems, ...weekProblems(calendar.week, '/calendar/week')];
}

export const scheduleSolver: Solver<ScheduleInput, ScheduleOutput> = {
  name: 'schedule',
  title: 'Put hands and hours to it',
  input: scheduleInput,
  output: scheduleOutput,
  check,
  solve: solveSchedule,
};
