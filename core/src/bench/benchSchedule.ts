import { lastMinuteOf } from '../clock';
import type { JobState } from '../job';
import { chainBetween, chainWords, isOpenStep, workedAt, type Edge, type JobPlan, type Step } from '../plan';
import {
  toWorkers,
  type ScheduleCalendar,
  type ScheduleInput,
  type ScheduleOutput,
  type ScheduleTask,
  type TimeRange,
} from '../schedule';
import { inUse, type BenchOrder, type Person, type ShopState } from '../shop';

/** One ticket as the bench works on it. */
export interface BenchJob {
  ticket: string;
  /** ISO date; it is due at the end of that day */
  dueBy: string | null;
  state: JobState;
  plan: JobPlan;
}

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

/** The steps that have to be behind a step before it can start: those still open, through whatever is done already. */
function openBefore(step: Step, byId: ReadonlyMap<string, Step>, counts: (step: Step) => boolean): string[] {
  const found = new Set<string>();
  const seen = new Set<string>();
  const stack = step.after.map(({ id }) => id);
  for (let id = stack.pop(); id !== undefined; id = stack.pop()) {
    if (seen.has(id)) continue;
    seen.add(id);
    const before = byId.get(id);
    if (!before) continue;
    if (counts(before)) found.add(id);
    else stack.push(...before.after.map((edge) => edge.id));
  }
  return [...found];
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
  for (const { ticket, dueBy, plan, state } of jobs) {
    if (state.signOff) continue;
    const byId = new Map(plan.steps.map((step) => [step.id, step]));
    // What the owner does not want takes no time of anybody.
    const counts = (step: Step) => (isOpenStep(step) && step.agreement !== 'refused') || step.status === 'curing';
    const mine: string[] = [];
    for (const step of plan.steps) {
      if (!counts(step)) continue;
      const id = taskId(ticket, step.id);
      const { low, likely, high } = step.minutes;
      const worked = step.state && step.status === 'started' ? workedAt(step.state, now) : 0;
      const left = (minutes: number) => Math.max(1, Math.round(minutes - worked));
      const curing = step.status === 'curing' && step.curingUntil !== null;
      const rest = curing ? Math.max(0, (Date.parse(step.curingUntil ?? now) - Date.parse(now)) / 60_000) : 0;
      const attended = curing ? 0 : left(likely);
      tasks.set(id, {
        id,
        attended,
        unattended: curing ? rest : step.unattended,
        after: openBefore(step, byId, counts).map((before) => taskId(ticket, before)),
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
        unattended: curing ? rest : step.unattended,
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

/** The order within a ticket, as far as it is needed to say what cannot be turned round. */
export interface PlanEdges {
  ticket: string;
  steps: readonly Pick<Step, 'id' | 'title' | 'after'>[];
}

/** The order of each ticket alone, plain enough to be sent to a page. */
export const planEdges = (jobs: readonly BenchJob[]): PlanEdges[] =>
  jobs.map(({ ticket, plan }) => ({ ticket, steps: plan.steps.map(({ id, title, after }) => ({ id, title, after })) }));

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
