import type { Job, Worker } from './placeTasks';
import type { ScheduleInput } from './schedule.schema';

/** The earliest moment by which these hands together can have worked so many minutes from `head` on. */
export function soonestDone(workers: readonly Worker[], head: number, work: number): number {
  const [only] = workers;
  if (workers.length === 1 && only) return only.open.finish(only.open.begin(head), work);
  const worked = (to: number) => workers.reduce((sum, { open }) => sum + open.between(head, to), 0);
  let [low, high] = [head, Math.max(...workers.map(({ open }) => open.finish(open.begin(head), work)))];
  // Rounded down at the end, so that the bound stays true.
  while (high - low > 1e-6) {
    const middle = (low + high) / 2;
    if (worked(middle) >= work) high = middle;
    else low = middle;
  }
  return low;
}

/** When each task could begin and be over, minutes. */
export interface Earliest {
  heads: readonly number[];
  ends: readonly number[];
}

/** The same if hands and resources were always free for it. */
export function earliest(jobs: readonly Job[], order: readonly number[], workers: readonly Worker[]): Earliest {
  const ends = new Array<number>(jobs.length).fill(0);
  const heads = new Array<number>(jobs.length).fill(0);
  for (const index of order) {
    const { attended, unattended, after, notBefore, able } = jobs[index] as Job;
    const ready = Math.max(notBefore, ...after.map((i) => ends[i] ?? 0));
    const opens = attended > 0 ? able.map((worker) => (workers[worker] as Worker).open) : [];
    heads[index] = attended > 0 ? Math.min(...opens.map((open) => open.begin(ready))) : ready;
    ends[index] =
      (attended > 0 ? Math.min(...opens.map((open) => open.finish(open.begin(ready), attended))) : ready) + unattended;
  }
  return { heads, ends };
}

/** Minutes from the start of a due moment: a number is one already; null where nothing is due. */
export function dueMinutes(
  due: number | string | null | undefined,
  calendar: ScheduleInput['calendar'],
): number | null {
  if (due === undefined || due === null) return null;
  return typeof due === 'number' ? due : (Date.parse(due) - Date.parse(calendar?.start ?? due)) / 60_000;
}

/** A ticket with a date, as far as its being late goes. */
export interface DueTicket {
  id: string;
  tasks: readonly string[];
  /** minutes from the start */
  due: number;
}

/** The tickets that are due some day. */
export const ticketsOf = ({ tickets = [], calendar }: ScheduleInput): DueTicket[] =>
  tickets.flatMap(({ id, tasks, dueBy }) => {
    const due = dueMinutes(dueBy, calendar);
    return due === null ? [] : [{ id, tasks, due }];
  });

/** When a ticket is done: with the last of its tasks. */
export const doneAt = ({ tasks }: Pick<DueTicket, 'tasks'>, ends: ReadonlyMap<string, number>): number =>
  Math.max(0, ...tasks.map((id) => ends.get(id) ?? 0));

/** How late tickets are, added up, minutes by the clock on the wall. */
export const totalLateness = (tickets: readonly DueTicket[], ends: ReadonlyMap<string, number>): number =>
  tickets.reduce((sum, ticket) => sum + Math.max(0, doneAt(ticket, ends) - ticket.due), 0);

/**
 * What tickets are late at least, added up, whatever the order. Two things are true of every schedule: no ticket is done
 * before it would be had it all hands to itself; and when the k-th of them is done, all hands together have done the work of
 * k tickets, which is no less than that of the k smallest. So the k-th to be done is done no sooner than the later of the two
 * in their order, and dates in their order are the least that such ends can be late by (max(0, end − due) is convex in the
 * difference).
 */
export function latenessBound(
  tickets: readonly DueTicket[],
  jobs: readonly Job[],
  { ends }: Pick<Earliest, 'ends'>,
  workers: readonly Worker[],
): number {
  const alone = new Map(jobs.map(({ id }, i) => [id, ends[i] ?? 0]));
  const attended = new Map(jobs.map((job) => [job.id, job.attended]));
  const rising = (list: number[]) => list.sort((a, b) => a - b);
  const soonest = rising(tickets.map((ticket) => doneAt(ticket, alone)));
  const dates = rising(tickets.map(({ due }) => due));
  const works = rising(tickets.map(({ tasks }) => tasks.reduce((sum, id) => sum + (attended.get(id) ?? 0), 0)));
  let work = 0;
  const together = soonest.reduce((sum, end, k) => {
    work += works[k] ?? 0;
    const done = work > 0 ? Math.max(end, soonestDone(workers, 0, work)) : end;
    return sum + Math.max(0, done - (dates[k] ?? Infinity));
  }, 0);
  return Math.max(together, totalLateness(tickets, alone));
}
