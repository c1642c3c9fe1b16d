import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { uniformInt } from 'pure-rand/distribution/uniformInt';
import { exceeds, Unsolvable } from '../metrology';
import { lastOf } from '../steps';
import {
  doneAt,
  dueMinutes,
  earliest,
  latenessBound,
  soonestDone,
  ticketsOf,
  totalLateness,
  type Earliest,
} from './bounds';
import { alwaysOpen, calendarDays, openHours } from './openTime';
import { placeTasks, type Job, type Placing, type Worker } from './placeTasks';
import type { PlacedTask, ScheduleInput, ScheduleOutput } from './schedule.schema';

/** Work spent on improving, in task placements: well under a second for 120 tasks. */
const placements = 110_000;
const fewestRounds = 100;
/**
 * What a search may cost at most, in tries of places and looks at what comes before: a second or two. A question whose
 * every placing is dear gets fewer rounds, or none: a plain schedule in time before a better one never.
 */
const mostWork = 3_000_000;
/** Groups of hands looked at for the lower bound; each one more can only raise it. */
const mostGroups = 100;
const mostRounds = 8000;
/** Rounds without success after which the search goes elsewhere. */
const patience = 250;
/** A schedule this close to its lower bound is not worth searching on. */
const closeEnough = 1.001;
const seed = 19_281;

/** Whose hands there are, each with the hours they keep. */
export function toWorkers({ calendar, people = [] }: ScheduleInput): Worker[] {
  if (people.length === 0) return [{ id: null, open: calendar ? openHours(calendar) : alwaysOpen }];
  if (!calendar) return people.map(({ id }) => ({ id, open: alwaysOpen }));
  const days = calendarDays(calendar);
  return people.map(({ id, week = calendar.week, away = [] }) => ({
    id,
    open: openHours({ ...calendar, week, closed: [...calendar.closed, ...away] }, days),
  }));
}

function toJobs({ tasks, resources, people = [] }: ScheduleInput): Job[] {
  const ableTo = (skill: string | undefined): number[] => {
    if (people.length === 0) return [0];
    return people.flatMap(({ skills }, i) =>
      skill === undefined || skills.length === 0 || skills.includes(skill) ? [i] : [],
    );
  };
  const index = new Map(tasks.map(({ id }, i) => [id, i]));
  return tasks.map(({ id, attended, unattended, after, resource, skill, piece, notBefore = 0 }) => {
    const able = ableTo(skill);
    if (attended > 0 && able.length === 0)
      throw new Unsolvable(`Task “${id}” wants somebody who can do “${skill}”, and nobody here can.`);
    if (resource !== undefined && !Object.hasOwn(resources, resource)) {
      throw new Unsolvable(`Task “${id}” wants “${resource}”, which is not among the resources.`);
    }
    const before = after.map((name) => {
      const at = index.get(name);
      if (at === undefined) throw new Unsolvable(`Task “${id}” comes after “${name}”, which is not among the tasks.`);
      return at;
    });
    return {
      id,
      attended,
      unattended,
      after: [...new Set(before)],
      resource: resource ?? null,
      able,
      piece: piece ?? null,
      notBefore,
    };
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
  { heads, ends }: Earliest,
  workers: readonly Worker[],
  capacities: Record<string, number>,
): number {
  const chain = Math.max(0, ...ends);
  // Attended work, for all hands together and for each set of hands that alone can do some of it.
  const attendedJobs = order.filter((i) => (jobs[i]?.attended ?? 0) > 0);
  const groups = new Map(attendedJobs.map((i) => [String(jobs[i]?.able), jobs[i]?.able ?? []]));
  const everybody = workers.map((_, worker) => worker);
  const hands = [everybody, ...[...groups.values()].slice(0, mostGroups)].map((group) => {
    const among = new Set(group);
    const theirs = attendedJobs.filter((i) => jobs[i]?.able.every((worker) => among.has(worker)));
    if (theirs.length === 0) return 0;
    const work = theirs.reduce((sum, i) => sum + (jobs[i]?.attended ?? 0), 0);
    const head = Math.min(...theirs.map((i) => heads[i] ?? 0));
    const tail = Math.min(...theirs.map((i) => (jobs[i]?.unattended ?? 0) + (after[i] ?? 0)));
    return (
      soonestDone(
        group.map((worker) => workers[worker] as Worker),
        head,
        work,
      ) + tail
    );
  });
  const loads = Object.entries(capacities).map(([name, capacity]) => {
    const load = jobs.reduce((sum, job) => (job.resource === name ? sum + job.attended + job.unattended : sum), 0);
    return load / capacity;
  });
  return Math.max(0, chain, ...hands, ...loads);
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

/** How a placing is judged, less is better, and the cost below which no search is worth while. */
interface Aim {
  cost: (placing: Placing) => number;
  /** what judging costs, in the measure of a placing’s own work */
  work: number;
  /** asked for only where there is a search */
  enough: () => number;
  /** orders to begin with, as keys: larger goes first */
  rules: readonly (readonly number[])[];
}

/** How far a search has come. */
export interface ScheduleProgress {
  round: number;
  rounds: number;
  makespan: number;
  lowerBound: number;
}
const roundsBetweenReports = 20;

/** Good rules first, then small seeded changes of the best list, kept when they are no worse. */
function* search(
  jobs: readonly Job[],
  spread: number,
  bound: number,
  { cost, work, enough, rules }: Aim,
  place: (order: readonly number[]) => Placing,
  effort: number,
): Generator<ScheduleProgress, Placing> {
  const judged = (key: readonly number[]) => {
    const placing = place(orderBy(jobs, key));
    return { key, placing, cost: cost(placing) };
  };
  const [firstRule = [], ...otherRules] = rules;
  let best = judged(firstRule);
  let spent = best.placing.work;
  for (const rule of otherRules) {
    if (spent > mostWork / 2) break;
    const next = judged(rule);
    spent += next.placing.work;
    if (exceeds(best.cost, next.cost)) best = next;
  }
  let current = best;
  let idle = 0;
  const chance = xoroshiro128plus(seed);
  const usual = Math.min(mostRounds, Math.max(fewestRounds, Math.floor(placements / Math.max(1, jobs.length))));
  // What one placing of this question costs, as seen: looking for the next task in order is part of it.
  const dear = best.placing.work + work + jobs.length ** 2 / 60;
  const rounds = Math.round(Math.min(usual, mostWork / dear) * effort);
  const goal = rounds > 0 ? enough() : 0;
  for (let round = 0; round < rounds && jobs.length > 2 && exceeds(best.cost, goal); round += 1) {
    if (round % roundsBetweenReports === 0) yield { round, rounds, makespan: best.placing.makespan, lowerBound: bound };
    const key = [...current.key];
    for (let changes = uniformInt(chance, 1, 3); changes > 0; changes -= 1) {
      const i = uniformInt(chance, 0, jobs.length - 1);
      const share = uniformInt(chance, -1000, 1000) / 1000;
      // Mostly a small step; now and then a task is put anywhere.
      key[i] = uniformInt(chance, 0, 3) === 0 ? Math.abs(share) * spread : (key[i] ?? 0) + share * spread * 0.3;
    }
    const next = judged(key);
    if (!exceeds(next.cost, current.cost)) current = next;
    if (exceeds(best.cost, current.cost)) {
      best = current;
      idle = 0;
    } else idle += 1;
    // A search that finds nothing more goes back to the best, or begins somewhere else altogether.
    if (idle % patience === patience - 1) {
      const anew = (idle + 1) % (2 * patience) === 0;
      current = anew ? judged(jobs.map(() => (uniformInt(chance, 0, 1000) / 1000) * spread)) : best;
    }
  }
  return best.placing;
}

/** The chain that holds the end where it is: from the last task back, whoever ends as the next one begins. */
function criticalPath(jobs: readonly Job[], { placed, makespan }: Placing, workers: readonly Worker[]): string[] {
  const path: string[] = [];
  let at = placed.findIndex(({ end }) => !exceeds(makespan, end));
  while (at >= 0) {
    const here = placed[at] as PlacedTask;
    path.unshift(here.id);
    const job = jobs[at] as Job;
    const open = workers.find(({ id }) => id === (here.person ?? null))?.open ?? alwaysOpen;
    const touches = (moment: number) => {
      const free = job.attended > 0 ? open.begin(moment) : moment;
      return Math.abs(free - here.start) <= 1e-6 && moment <= here.start + 1e-6;
    };
    const byOrder = job.after.find((before) => touches(placed[before]?.end ?? -1));
    const held = placed.findIndex((other, i) => {
      if (i === at || other.start >= here.start) return false;
      const same = other.person === here.person || (job.piece !== null && jobs[i]?.piece === job.piece);
      const hands = job.attended > 0 && (jobs[i]?.attended ?? 0) > 0 && same && touches(other.attendedEnd);
      return hands || (job.resource !== null && jobs[i]?.resource === job.resource && touches(other.end));
    });
    at = here.start <= 1e-9 ? -1 : (byOrder ?? held);
  }
  return path;
}

/** The tasks by index, an order in which predecessors come first, and whose hands there are. */
export function prepared(input: ScheduleInput): { jobs: Job[]; order: number[]; workers: Worker[] } {
  const jobs = toJobs(input);
  return { jobs, order: topological(jobs), workers: toWorkers(input) };
}

/** Tickets in time first: lateness counts, then when each ticket is done. */
function dueAim(
  input: ScheduleInput,
  jobs: readonly Job[],
  order: readonly number[],
  after: readonly number[],
  soonest: Earliest,
  workers: readonly Worker[],
): Aim {
  const tickets = ticketsOf(input);
  const rank = new Map(tickets.flatMap(({ tasks, due }) => tasks.map((id) => [id, due] as const)));
  const place = new Map(order.map((job, i) => [job, i]));
  // The nearest date first; within a ticket the order of the work, what then cures a little earlier.
  const byDate = input.tasks.map(
    ({ id, unattended }, i) => -(rank.get(id) ?? 1e7) * 1e4 - (place.get(i) ?? 0) + Math.min(5, unattended / 120),
  );
  const byTail = input.tasks.map(({ id }, i) => -(rank.get(id) ?? 1e7) * 1e4 + (after[i] ?? 0));
  return {
    cost: ({ placed }) => totalLateness(tickets, new Map(placed.map(({ id, end }) => [id, end]))),
    work: 2 * (input.tickets ?? []).reduce((sum, { tasks }) => sum + tasks.length, 0),
    enough: () => latenessBound(tickets, jobs, soonest, workers) * closeEnough,
    rules: [byDate, byTail],
  };
}

function makespanAim(jobs: readonly Job[], order: readonly number[], after: readonly number[], bound: number): Aim {
  const place = new Map(order.map((job, i) => [job, i]));
  return {
    cost: ({ makespan }) => makespan,
    work: 0,
    enough: () => bound * closeEnough,
    rules: [
      jobs.map((job, i) => job.attended + job.unattended + (after[i] ?? 0)),
      jobs.map((job, i) => job.unattended + (after[i] ?? 0)),
      jobs.map((job, i) => (after[i] ?? 0) + 2 * job.unattended + job.attended),
      jobs.map((_, i) => -(place.get(i) ?? 0)),
      jobs.map((job) => -job.attended),
    ],
  };
}

/**
 * The search for a schedule, step by step: reports how far it has come and ends with the schedule. Taking no further
 * steps stops it. See `solveSchedule` for what it does.
 *
 * @param effort share of the usual search; 0 takes the best of the plain rules, for an answer at once
 */
export function* scheduleSteps(input: ScheduleInput, effort = 1): Generator<ScheduleProgress, ScheduleOutput> {
  const { jobs, order, workers } = prepared(input);
  const after = tails(jobs, order);
  const soonest = earliest(jobs, order, workers);
  const bound = lowerBound(jobs, order, after, soonest, workers, input.resources);
  const aim =
    input.aim === 'due' ? dueAim(input, jobs, order, after, soonest, workers) : makespanAim(jobs, order, after, bound);
  const spread = Math.max(1, ...jobs.map((job, i) => job.attended + job.unattended + (after[i] ?? 0)));
  const place = (list: readonly number[]) => placeTasks(jobs, list, workers, input.resources);
  const placing = yield* search(jobs, spread, bound, aim, place, effort);
  const { placed, makespan } = placing;
  const ends = new Map(placed.map(({ id, end }) => [id, end]));
  const due = dueMinutes(input.dueBy, input.calendar);
  const lateTasks = due === null ? [] : placed.filter(({ end }) => exceeds(end, due));
  const lateTickets = ticketsOf(input).filter((ticket) => exceeds(doneAt(ticket, ends), ticket.due));
  return {
    tasks: [...placed].sort((a, b) => a.start - b.start || a.end - b.end),
    makespan,
    lowerBound: bound,
    gap: bound > 0 ? makespan / bound - 1 : 0,
    criticalPath: criticalPath(jobs, placing, workers),
    late: [...lateTickets, ...lateTasks].map(({ id }) => id),
  };
}

/**
 * Puts hands and hours to a set of tasks: attended spans of one pair of hands never overlap, unattended spans follow at
 * once and hold their resource, open hours if a calendar is given. Minutes; with a calendar from its start. One pair of
 * hands, or the people named, each with what they can do and their own hours.
 *
 * List scheduling with insertion, improved by seeded local search: the same input gives the same schedule. Always
 * valid; `lowerBound` is true whatever the schedule.
 *
 * @throws Unsolvable for an unknown name, a cycle, work nobody can do, or a calendar that never opens
 */
export const solveSchedule = (input: ScheduleInput): ScheduleOutput => lastOf(scheduleSteps(input));

/** A schedule at once, without a search: good enough to draw a page with. */
export const quickSchedule = (input: ScheduleInput): ScheduleOutput => lastOf(scheduleSteps(input, 0));

/** How late the tickets of a schedule are, added up, and how late they are at least whatever the order; minutes. */
export interface Lateness {
  total: number;
  atLeast: number;
}

/**
 * How far a schedule is from what any could be, where tickets are late.
 *
 * @throws Unsolvable as `solveSchedule` does
 */
export function latenessOf(input: ScheduleInput, { tasks }: Pick<ScheduleOutput, 'tasks'>): Lateness {
  const { jobs, order, workers } = prepared(input);
  const tickets = ticketsOf(input);
  return {
    total: totalLateness(tickets, new Map(tasks.map(({ id, end }) => [id, end]))),
    atLeast: latenessBound(tickets, jobs, earliest(jobs, order, workers), workers),
  };
}
