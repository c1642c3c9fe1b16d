import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { uniformInt } from 'pure-rand/distribution/uniformInt';
import { exceeds, Unsolvable } from '../metrology';
import { alwaysOpen, openHours, type OpenTime } from './openTime';
import { placeTasks, type Job, type Placing } from './placeTasks';
import type { PlacedTask, ScheduleInput, ScheduleOutput } from './schedule.schema';

/** Work spent on improving, in task placements: well under a second for 120 tasks. */
const placements = 150_000;
const fewestRounds = 100;
const mostRounds = 3000;
/** A schedule this close to its lower bound is not worth searching on. */
const closeEnough = 1.001;
const seed = 19_281;

function toJobs({ tasks, resources }: ScheduleInput): Job[] {
  const index = new Map(tasks.map(({ id }, i) => [id, i]));
  return tasks.map(({ id, attended, unattended, after, resource }) => {
    if (resource !== undefined && !Object.hasOwn(resources, resource)) {
      throw new Unsolvable(`Task “${id}” wants “${resource}”, which is not among the resources.`);
    }
    const before = after.map((name) => {
      const at = index.get(name);
      if (at === undefined) throw new Unsolvable(`Task “${id}” comes after “${name}”, which is not among the tasks.`);
      return at;
    });
    return { id, attended, unattended, after: [...new Set(before)], resource: resource ?? null };
  });
}

/** Predecessors first; a cycle is named. */
function topological(jobs: readonly Job[]): number[] {
  const order: number[] = [];
  const marks = new Array<'open' | 'done' | undefined>(jobs.length);
  // Depth first with a stack of its own: a long chain must not exhaust the call stack.
  jobs.forEach((_, root) => {
    const stack: { at: number; next: number }[] = marks[root] ? [] : [{ at: root, next: 0 }];
    while (stack.length > 0) {
      const top = stack.at(-1) as { at: number; next: number };
      marks[top.at] = 'open';
      const before = jobs[top.at]?.after[top.next];
      top.next += 1;
      if (before === undefined) {
        marks[top.at] = 'done';
        order.push(top.at);
        stack.pop();
      } else if (marks[before] === 'open') {
        const from = stack.findIndex(({ at }) => at === before);
        const names = stack.slice(from).map(({ at }) => jobs[at]?.id ?? '');
        throw new Unsolvable(`These tasks wait for each other in a circle: ${[...names, names[0]].join(' → ')}.`);
      } else if (!marks[before]) stack.push({ at: before, next: 0 });
    }
  });
  return order;
}

/** Longest chain from the end of each task to the end of all, open hours left out. */
function tails(jobs: readonly Job[], order: readonly number[]): number[] {
  const after = new Array<number>(jobs.length).fill(0);
  for (const index of [...order].reverse()) {
    const { attended, unattended, after: before } = jobs[index] as Job;
    for (const i of before) after[i] = Math.max(after[i] ?? 0, attended + unattended + (after[index] ?? 0));
  }
  return after;
}

function lowerBound(
  jobs: readonly Job[],
  order: readonly number[],
  after: readonly number[],
  open: OpenTime,
  capacities: Record<string, number>,
): number {
  // Heads: when each task could begin if hands and resources were free for it.
  const ends = new Array<number>(jobs.length).fill(0);
  const heads = new Array<number>(jobs.length).fill(0);
  let chain = 0;
  for (const index of order) {
    const { attended, unattended, after: before } = jobs[index] as Job;
    const ready = Math.max(0, ...before.map((i) => ends[i] ?? 0));
    const start = attended > 0 ? open.begin(ready) : ready;
    heads[index] = start;
    ends[index] = (attended > 0 ? open.finish(start, attended) : start) + unattended;
    chain = Math.max(chain, ends[index]);
  }
  const attendedJobs = order.filter((i) => (jobs[i]?.attended ?? 0) > 0);
  const work = attendedJobs.reduce((sum, i) => sum + (jobs[i]?.attended ?? 0), 0);
  const head = Math.min(...attendedJobs.map((i) => heads[i] ?? 0));
  const tail = Math.min(...attendedJobs.map((i) => (jobs[i]?.unattended ?? 0) + (after[i] ?? 0)));
  const hands = attendedJobs.length > 0 ? open.finish(head, work) + tail : 0;
  const loads = Object.entries(capacities).map(([name, capacity]) => {
    const load = jobs.reduce((sum, job) => (job.resource === name ? sum + job.attended + job.unattended : sum), 0);
    return load / capacity;
  });
  return Math.max(0, chain, hands, ...loads);
}

/** Tasks by falling key, each as soon as its predecessors stand in the list. */
function orderBy(jobs: readonly Job[], key: readonly number[]): number[] {
  const waiting = jobs.map(({ after }) => after.length);
  const followers: number[][] = jobs.map(() => []);
  jobs.forEach(({ after }, i) => after.forEach((before) => followers[before]?.push(i)));
  const ready = jobs.flatMap((_, i) => (waiting[i] === 0 ? [i] : []));
  const order: number[] = [];
  while (ready.length > 0) {
    let best = 0;
    for (let i = 1; i < ready.length; i += 1) {
      if ((key[ready[i] ?? 0] ?? 0) > (key[ready[best] ?? 0] ?? 0)) best = i;
    }
    const [index = 0] = ready.splice(best, 1);
    order.push(index);
    for (const follower of followers[index] ?? []) {
      waiting[follower] = (waiting[follower] ?? 0) - 1;
      if (waiting[follower] === 0) ready.push(follower);
    }
  }
  return order;
}

/** Good rules first, then small seeded changes of the best list, kept when they are no worse. */
function search(
  jobs: readonly Job[],
  order: readonly number[],
  after: readonly number[],
  bound: number,
  place: (order: readonly number[]) => Placing,
): Placing {
  const rules = [
    jobs.map((job, i) => job.attended + job.unattended + (after[i] ?? 0)),
    jobs.map((job, i) => job.unattended + (after[i] ?? 0)),
    jobs.map((job, i) => (after[i] ?? 0) + 2 * job.unattended + job.attended),
    jobs.map((_, i) => -order.indexOf(i)),
    jobs.map((job) => -job.attended),
  ];
  const started = rules.map((key) => ({ key, placing: place(orderBy(jobs, key)) }));
  let best = started.reduce((least, next) => (exceeds(least.placing.makespan, next.placing.makespan) ? next : least));
  let current = best;
  const chance = xoroshiro128plus(seed);
  const spread = Math.max(1, ...(rules[0] ?? [1]));
  const rounds = Math.min(mostRounds, Math.max(fewestRounds, Math.floor(placements / Math.max(1, jobs.length))));
  for (
    let round = 0;
    round < rounds && jobs.length > 2 && exceeds(best.placing.makespan, bound * closeEnough);
    round += 1
  ) {
    const key = [...current.key];
    for (let changes = uniformInt(chance, 1, 3); changes > 0; changes -= 1) {
      const i = uniformInt(chance, 0, jobs.length - 1);
      key[i] = (key[i] ?? 0) + (uniformInt(chance, -1000, 1000) / 1000) * spread * 0.3;
    }
    const next = { key, placing: place(orderBy(jobs, key)) };
    if (!exceeds(next.placing.makespan, current.placing.makespan)) current = next;
    if (exceeds(best.placing.makespan, current.placing.makespan)) best = current;
    // A search that has wandered goes back to the best now and then.
    if (round % 200 === 199) current = best;
  }
  return best.placing;
}

/** The chain that holds the end where it is: from the last task back, whoever ends as the next one begins. */
function criticalPath(jobs: readonly Job[], { placed, makespan }: Placing, open: OpenTime): string[] {
  const path: string[] = [];
  let at = placed.findIndex(({ end }) => !exceeds(makespan, end));
  while (at >= 0) {
    const here = placed[at] as PlacedTask;
    path.unshift(here.id);
    const job = jobs[at] as Job;
    const touches = (moment: number) => {
      const free = job.attended > 0 ? open.begin(moment) : moment;
      return Math.abs(free - here.start) <= 1e-6 && moment <= here.start + 1e-6;
    };
    const byOrder = job.after.find((before) => touches(placed[before]?.end ?? -1));
    const held = placed.findIndex((other, i) => {
      if (i === at || other.start >= here.start) return false;
      const hands = job.attended > 0 && (jobs[i]?.attended ?? 0) > 0 && touches(other.attendedEnd);
      return hands || (job.resource !== null && jobs[i]?.resource === job.resource && touches(other.end));
    });
    at = here.start <= 1e-9 ? -1 : (byOrder ?? held);
  }
  return path;
}

/**
 * Puts hands and hours to a set of tasks: one pair of hands, attended spans that never overlap, unattended spans that
 * follow at once and hold their resource, open hours if a calendar is given. Minutes; with a calendar from its start.
 *
 * List scheduling with insertion, improved by seeded local search: the same input gives the same schedule. Always
 * valid; `lowerBound` is true whatever the schedule.
 *
 * @throws Unsolvable for an unknown name, a cycle, or a calendar that never opens
 */
export function solveSchedule(input: ScheduleInput): ScheduleOutput {
  const jobs = toJobs(input);
  const order = topological(jobs);
  const open = input.calendar ? openHours(input.calendar) : alwaysOpen;
  const after = tails(jobs, order);
  const bound = lowerBound(jobs, order, after, open, input.resources);
  const placing = search(jobs, order, after, bound, (list) => placeTasks(jobs, list, open, input.resources));
  const { placed, makespan } = placing;

  const ends = new Map(placed.map(({ id, end }) => [id, end]));
  const minutesOf = (due: number | string) =>
    typeof due === 'number' ? due : (Date.parse(due) - Date.parse(input.calendar?.start ?? due)) / 60_000;
  const { dueBy, tickets = [] } = input;
  const lateTasks =
    dueBy === undefined || dueBy === null ? [] : placed.filter(({ end }) => exceeds(end, minutesOf(dueBy)));
  const lateTickets = tickets.filter(({ tasks, dueBy: due }) => {
    if (due === undefined || due === null) return false;
    return tasks.some((id) => exceeds(ends.get(id) ?? 0, minutesOf(due)));
  });
  return {
    tasks: [...placed].sort((a, b) => a.start - b.start || a.end - b.end),
    makespan,
    lowerBound: bound,
    gap: bound > 0 ? makespan / bound - 1 : 0,
    criticalPath: criticalPath(jobs, placing, open),
    late: [...lateTickets.map(({ id }) => id), ...lateTasks.map(({ id }) => id)],
  };
}
