import { lastMinuteOf } from '../clock';
import { chainBetween, chainWords, type Edge, type Step } from '../plan';
import {
  toWorkers,
  wallMinutes,
  type ScheduleCalendar,
  type ScheduleInput,
  type ScheduleOutput,
  type ScheduleTask,
  type TimeRange,
} from '../schedule';
import type { BenchJob, PlanEdges } from './benchRow';
import { inUse, type BenchOrder, type Person, type ShopHours, type ShopState } from '../shop';

/** What the bench asks of the scheduler, with the range of each task's time. Plain data. */
export interface BenchQuestion {
  input: ScheduleInput;
  ranges: Record<string, TimeRange>;
  /** what each task is, by id */
  tasks: Record<string, BenchTask>;
}

export interface BenchTask {
  ticket: string;
  operation: string;
  title: string;
  stage: string;
  /** is it in hand, or only curing? */
  status: Step['status'];
  attended: number;
  unattended: number;
}

/** A task of the bench: the step of a ticket. */
export const taskId = (ticket: string, operation: string): string => `${ticket}/${operation}`;
/** Takes the id of a task apart again. */
export const splitTask = (id: string): { ticket: string; operation: string } => {
  const at = id.indexOf('/');
  return { ticket: id.slice(0, at), operation: id.slice(at + 1) };
};

/** Minutes the hands of a shop work in an ordinary week: those of its people, or one pair of hands in its open hours. */
export function minutesOfWeek({ hours, people }: Pick<ShopState, 'hours' | 'people'>): number {
  const of = (week: ShopHours['week']) =>
    Object.values(week)
      .flat()
      .reduce((sum, [from = '', to = '']) => sum + Math.max(0, wallMinutes(to) - wallMinutes(from)), 0);
  const working = inUse(people);
  if (working.length === 0) return of(hours.week);
  return working.reduce((sum, { week }) => sum + of(week ?? hours.week), 0);
}

/** Wishes between two tickets that still mean something: not withdrawn, and both steps are on the bench. */
export const liveOrders = (orders: readonly BenchOrder[], tasks: BenchQuestion['tasks']): BenchOrder[] =>
  orders.filter(
    ({ first, second, withdrawn }) =>
      !withdrawn &&
      Object.hasOwn(tasks, taskId(first.ticket, first.operation)) &&
      Object.hasOwn(tasks, taskId(second.ticket, second.operation)),
  );

const asPerson = ({ id, skills, week, away }: Person) => ({
  id,
  skills: [...skills],
  ...(week && { week }),
  ...(away && { away }),
});

/**
 * Every open step of every ticket as a task for the scheduler: attended minutes as far as they are not worked yet, what
 * cures now as a task without hands, the shop's hours, people and order between tickets.
 *
 * @param now ISO 8601: the schedule begins here
 */
export function benchQuestion(jobs: readonly BenchJob[], shop: ShopState, now: string): BenchQuestion {
  const tasks = new Map<string, ScheduleTask>();
  const ranges: BenchQuestion['ranges'] = {};
  const told: BenchQuestion['tasks'] = {};
  const tickets: NonNullable<ScheduleInput['tickets']> = [];
  for (const { ticket, dueBy, open } of jobs) {
    const mine: string[] = [];
    for (const step of open) {
      const id = taskId(ticket, step.id);
      const { low, likely, high } = step.minutes;
      const left = (minutes: number) => Math.max(1, Math.round(minutes - step.worked));
      const curing = step.status === 'curing' && step.curingUntil !== null;
      const rest = curing ? Math.max(0, (Date.parse(step.curingUntil ?? now) - Date.parse(now)) / 60_000) : 0;
      const attended = curing ? 0 : left(likely);
      const unattended = curing ? rest : step.unattended;
      tasks.set(id, {
        id,
        attended,
        unattended,
        after: step.after.map((before) => taskId(ticket, before)),
        ...(step.resource && { resource: step.resource }),
        skill: step.stage,
        // Two people cannot have one instrument in hand.
        piece: ticket,
      });
      if (!curing) ranges[id] = { low: left(low), likely: attended, high: left(high) };
      told[id] = {
        ticket,
        operation: step.id,
        title: step.title,
        stage: step.stage,
        status: step.status,
        attended,
        unattended,
      };
      mine.push(id);
    }
    if (mine.length > 0)
      tickets.push({
        id: ticket,
        tasks: mine,
        dueBy: dueBy === null ? null : lastMinuteOf(dueBy, shop.hours.timeZone),
      });
  }
  const edges = edgesOf([...tasks.values()]);
  for (const { first, second } of liveOrders(shop.benchOrder, told)) {
    const before = taskId(first.ticket, first.operation);
    const after = tasks.get(taskId(second.ticket, second.operation));
    // A wish that would close a circle with what has come since is passed over, and kept.
    if (!after || chainBetween(edges, after.id, before)) continue;
    after.after.push(before);
    edges.push({ before, after: after.id, reason: '' });
  }
  const { timeZone, week, closed, resources } = shop.hours;
  const calendar: ScheduleCalendar = { start: now, timeZone, week, closed: [...closed] };
  const people = inUse(shop.people).map(asPerson);
  return {
    input: {
      tasks: [...tasks.values()],
      resources: { ...resources },
      calendar,
      tickets,
      aim: 'due',
      ...(people.length > 0 && { people }),
    },
    ranges,
    tasks: told,
  };
}

const edgesOf = (tasks: readonly ScheduleTask[]): Edge[] =>
  tasks.flatMap(({ id, after }) => after.map((before) => ({ before, after: id, reason: '' })));

/** The order of each ticket alone, plain enough to be sent to a page. */
export const planEdges = (jobs: readonly PlanEdges[]): PlanEdges[] =>
  jobs.map(({ ticket, steps }) => ({ ticket, steps }));

/**
 * Why a step cannot be put before another, in words; null when nothing speaks against it. Within a ticket the rules of
 * the plan decide, between tickets only what would close a circle.
 */
export function whyNotBefore(
  jobs: readonly PlanEdges[],
  question: Pick<BenchQuestion, 'input' | 'tasks'>,
  first: string,
  second: string,
): string | null {
  if (first === second) return 'It is the same step.';
  const titles = new Map(Object.entries(question.tasks).map(([id, { title }]) => [id, title]));
  const [a, b] = [splitTask(first), splitTask(second)];
  if (a.ticket === b.ticket) {
    const steps = jobs.find(({ ticket }) => ticket === a.ticket)?.steps ?? [];
    const edges = steps.flatMap(({ id, after }) =>
      after.map((edge): Edge => ({ before: edge.id, after: id, reason: edge.reason })),
    );
    const chain = chainBetween(edges, b.operation, a.operation);
    return chain && chainWords(chain, new Map(steps.map(({ id, title }) => [id, title])));
  }
  const chain = chainBetween(edgesOf(question.input.tasks), second, first);
  return chain
    ? `“${titles.get(first)}” of ${a.ticket} already waits for “${titles.get(second)}” of ${b.ticket}.`
    : null;
}

/** A stretch of work or of curing in the week, in the shop's own days. */
export interface Stretch {
  task: string;
  kind: 'work' | 'cure';
  /** ISO */
  from: string;
  to: string;
  person: string | null;
}

const at = (start: string, minutes: number) => new Date(Date.parse(start) + minutes * 60_000).toISOString();

/**
 * A schedule as stretches with clock times: work, cut where whoever does it is closed, and what then cures. Tasks without
 * length are left out.
 */
export function stretchesOf({ input }: Pick<BenchQuestion, 'input'>, { tasks }: ScheduleOutput): Stretch[] {
  const start = input.calendar?.start ?? new Date(0).toISOString();
  const workers = toWorkers(input);
  return tasks.flatMap(({ id, start: from, attendedEnd, end, person = null }) => {
    const open = workers.find((worker) => worker.id === person)?.open;
    const work = attendedEnd > from ? (open?.spans(from, attendedEnd) ?? [{ from, to: attendedEnd }]) : [];
    return [
      ...work.map((span) => ({
        task: id,
        kind: 'work' as const,
        from: at(start, span.from),
        to: at(start, span.to),
        person,
      })),
      ...(end > attendedEnd
        ? [{ task: id, kind: 'cure' as const, from: at(start, attendedEnd), to: at(start, end), person: null }]
        : []),
    ];
  });
}

/**
 * What cures at this moment, what is ready first. A cure that is only planned has not begun, whatever the clock says.
 *
 * @param now moment, ISO 8601
 */
export const curesNow = (
  { tasks }: Pick<BenchQuestion, 'tasks'>,
  stretches: readonly Stretch[],
  now: string,
): Stretch[] =>
  stretches
    .filter(
      ({ task, kind, from, to }) => kind === 'cure' && from <= now && to > now && tasks[task]?.status === 'curing',
    )
    .sort((a, b) => a.to.localeCompare(b.to));
