import { clockWords, splitTask, type Person, type Stretch } from '@holotonos/core';

/** A piece of work as it hangs on the wall. */
export interface WallWork {
  ticket: string;
  title: string;
  from: string;
  to: string;
}
/** What one pair of hands does: the work at hand, or the first of the day, and what comes after it. */
export interface WallHands {
  name: string;
  works: WallWork[];
}
/** A day of the week to come: the tickets somebody works on, in the order they are taken up. */
export interface WallDay {
  day: string;
  tickets: { ticket: string; isLast: boolean }[];
}
export interface Wall {
  /** the day whose work is shown, in the shop's zone; null where nothing waits for hands */
  day: string | null;
  hands: WallHands[];
  days: WallDay[];
  /** what cures now, what is ready first */
  curing: { ticket: string; title: string; to: string }[];
}

/** Whose work it is where nobody is named. */
const nobody = 'The bench';
const shown = { works: 2, days: 5, cures: 3 } as const;

/**
 * Today and the days after it, cut down to what is read from across the room: for each pair of hands the work at hand
 * and the next piece of the same day, for each of five days the tickets worked on.
 *
 * @param stretches of the schedule, in any order
 * @param cures what cures now, what is ready first
 * @param titleOf the step of a task, in words
 * @param now moment, ISO: what is over is left out
 * @param zone the days are those of this zone
 */
export function wallOf(
  stretches: readonly Stretch[],
  cures: readonly Stretch[],
  people: readonly Pick<Person, 'id' | 'name'>[],
  titleOf: (task: string) => string,
  now: string,
  zone: string,
): Wall {
  const { dayOf } = clockWords(zone);
  const asWork = ({ task, from, to }: Stretch) => ({ ticket: splitTask(task).ticket, title: titleOf(task), from, to });
  const work = stretches
    .filter(({ kind, to }) => kind === 'work' && to > now)
    .sort((a, b) => a.from.localeCompare(b.from));
  const day = work[0] ? dayOf(work[0].from) : null;
  const hands = new Map<string, WallHands>();
  const days = new Map<string, Set<string>>();
  const lastOf = new Map<string, string>();
  for (const stretch of work) {
    const its = dayOf(stretch.from);
    const { ticket } = splitTask(stretch.task);
    days.set(its, (days.get(its) ?? new Set()).add(ticket));
    lastOf.set(ticket, its);
    if (its !== day) continue;
    const name = people.find(({ id }) => id === stretch.person)?.name ?? nobody;
    const own = hands.get(name) ?? { name, works: [] };
    hands.set(name, own);
    if (own.works.length < shown.works) own.works.push(asWork(stretch));
  }
  return {
    day,
    hands: [...hands.values()].sort((a, b) => a.name.localeCompare(b.name)),
    days: [...days].slice(0, shown.days).map(([its, tickets]) => ({
      day: its,
      tickets: [...tickets].map((ticket) => ({ ticket, isLast: lastOf.get(ticket) === its })),
    })),
    curing: cures
      .slice(0, shown.cures)
      .map(({ task, to }) => ({ ticket: splitTask(task).ticket, title: titleOf(task), to })),
  };
}
