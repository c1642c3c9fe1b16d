import type { OpenTime, Span } from './openTime';
import type { PlacedTask } from './schedule.schema';

/** A task as the scheduler works with it: others by index. */
export interface Job {
  id: string;
  attended: number;
  unattended: number;
  after: number[];
  /** capacity of its resource and a list of who holds it; null without one */
  resource: string | null;
  /** who can do it, by index */
  able: readonly number[];
  /** what it is worked on; null where that does not matter */
  piece: string | null;
  /** not before this moment */
  notBefore: number;
}

/** One pair of hands and the hours it works. */
export interface Worker {
  /** null where there is only one pair of hands and nobody is named */
  id: string | null;
  open: OpenTime;
}

export interface Placing {
  placed: PlacedTask[];
  makespan: number;
  /** how often a place was tried and an order looked up: what this cost */
  work: number;
}

const rounding = 1e-9;

/** Index of the first span that begins after `from`, in a list kept in order of `from`. */
function firstAfter(list: readonly Span[], from: number): number {
  let [low, high] = [0, list.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if ((list[middle] as Span).from > from) high = middle;
    else low = middle + 1;
  }
  return low;
}

/** Marks hands as busy. Spans that touch become one, so that a full day is one block to step over and not fifty. */
function occupy(list: Span[], span: Span): void {
  const at = firstAfter(list, span.from);
  const [before, after] = [list[at - 1], list[at]];
  const joinsBefore = before && before.to >= span.from - rounding;
  const joinsAfter = after && after.from <= span.to + rounding;
  if (joinsBefore && joinsAfter) {
    before.to = after.to;
    list.splice(at, 1);
  } else if (joinsBefore) before.to = span.to;
  else if (joinsAfter) after.from = span.from;
  else list.splice(at, 0, span);
}

/** The end of the first span that overlaps [from, to), or null. Spans in the list do not overlap each other. */
function clash(list: readonly Span[], from: number, to: number): number | null {
  const at = firstAfter(list, from);
  const before = list[at - 1];
  if (before && before.to > from + rounding) return before.to;
  const next = list[at];
  return next && next.from < to - rounding ? next.to : null;
}

/** How many hold a resource from a moment on, until the next moment in the list; in order. */
type Load = { from: number; count: number }[];

/** Index of the last change at or before a moment. */
function changeAt(load: Load, moment: number): number {
  let [low, high] = [0, load.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if ((load[middle] as Load[number]).from <= moment + rounding) low = middle + 1;
    else high = middle;
  }
  return low - 1;
}

/** When a place comes free for [from, to) on a resource, or null when there is one: at most `capacity` at any moment. */
function full(load: Load, from: number, to: number, capacity: number): number | null {
  for (let at = Math.max(0, changeAt(load, from)); at < load.length; at += 1) {
    const { from: begins, count } = load[at] as Load[number];
    if (begins >= to - rounding) return null;
    if (count >= capacity && (load[at + 1]?.from ?? Infinity) > from + rounding) {
      let free = at + 1;
      while ((load[free]?.count ?? 0) >= capacity) free += 1;
      return load[free]?.from ?? Infinity;
    }
  }
  return null;
}

/** One more holds a resource for [from, to). */
function hold(load: Load, from: number, to: number): void {
  const cut = (moment: number) => {
    const at = changeAt(load, moment);
    if (at >= 0 && Math.abs((load[at] as Load[number]).from - moment) <= rounding) return at;
    load.splice(at + 1, 0, { from: moment, count: load[at]?.count ?? 0 });
    return at + 1;
  };
  const [first, last] = [cut(from), cut(to)];
  for (let at = first; at < last; at += 1) (load[at] as Load[number]).count += 1;
}

interface Slot {
  start: number;
  attendedEnd: number;
  end: number;
  worker: number | null;
  tries: number;
}

/** The first time one pair of hands can take a job, with a place on its resource all the way. */
function firstSlot(
  { attended, unattended, resource }: Job,
  earliest: number,
  open: OpenTime | null,
  /** when the hands and the piece they work on are taken */
  taken: readonly (readonly Span[])[],
  load: Load | null,
  capacities: Readonly<Record<string, number>>,
): Omit<Slot, 'worker'> {
  for (let from = earliest, tries = 1; ; tries += 1) {
    const start = open ? open.begin(from) : from;
    const attendedEnd = open ? open.finish(start, attended) : start;
    const end = attendedEnd + unattended;
    const busy = open ? (taken.map((list) => clash(list, start, attendedEnd)).find((to) => to !== null) ?? null) : null;
    const later = busy ?? (load && end > start ? full(load, start, end, capacities[resource ?? ''] ?? 1) : null);
    if (later === null) return { start, attendedEnd, end, tries };
    from = Math.max(later, start);
  }
}

/**
 * Serial schedule generation: each task in turn at the earliest time at which its predecessors have ended, somebody able
 * has their hands free for its attended span and its resource has a place from start to end; of several people the one
 * who is done with it first. `order` must name predecessors first.
 */
export function placeTasks(
  jobs: readonly Job[],
  order: readonly number[],
  workers: readonly Worker[],
  capacities: Readonly<Record<string, number>>,
): Placing {
  const placed: PlacedTask[] = new Array<PlacedTask>(jobs.length);
  const hands: Span[][] = workers.map(() => []);
  const pieces = new Map<string, Span[]>();
  const held = new Map<string, Load>();
  let makespan = 0;
  let work = 0;
  for (const index of order) {
    const job = jobs[index] as Job;
    let from = job.notBefore;
    for (const before of job.after) from = Math.max(from, (placed[before] as PlacedTask).end);
    work += job.after.length;
    const load = job.resource === null ? null : (held.get(job.resource) ?? []);
    const piece = job.piece === null ? [] : (pieces.get(job.piece) ?? []);
    let best: Slot | null = null;
    if (job.attended > 0) {
      for (const worker of job.able) {
        const { open } = workers[worker] as Worker;
        const slot = firstSlot(job, from, open, [hands[worker] as Span[], piece], load, capacities);
        work += slot.tries;
        if (!best || slot.attendedEnd < best.attendedEnd - rounding) best = { ...slot, worker };
      }
    }
    const { start, attendedEnd, end, worker, tries } = best ?? {
      ...firstSlot(job, from, null, [], load, capacities),
      worker: null,
    };
    work += tries;
    const person = worker === null ? null : (workers[worker]?.id ?? null);
    placed[index] = { id: job.id, start, attendedEnd, end, ...(person !== null && { person }) };
    if (worker !== null && attendedEnd > start) {
      occupy(hands[worker] as Span[], { from: start, to: attendedEnd });
      if (job.piece !== null) {
        occupy(piece, { from: start, to: attendedEnd });
        pieces.set(job.piece, piece);
      }
    }
    if (load && end > start) {
      hold(load, start, end);
      held.set(job.resource ?? '', load);
    }
    makespan = Math.max(makespan, end);
  }
  return { placed, makespan, work };
}
