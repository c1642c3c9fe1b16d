import { clockWords, dayAfter, daysBetween, mondayOf, splitTask, type Stretch } from '@holotonos/core';

export const daysOfWeek = 7;
/** Days that are shown whether anybody works or not: Monday to Friday. */
const ordinaryDays = 5;

/** What happens to one ticket, by day. */
export type Cells = ReadonlyMap<string, readonly Stretch[]>;

/**
 * Stretches sorted into the cells of a week, each looked at once: work on the day it begins, what cures on every day it
 * cures.
 *
 * @param zone the days are those of this zone
 * @returns by ticket and day, the days on which somebody works, and the last day anything lasts to; null of nothing
 */
export function weekCells(
  stretches: readonly Stretch[],
  zone: string,
): { cells: ReadonlyMap<string, Cells>; workdays: ReadonlySet<string>; last: string | null } {
  const { dayOf } = clockWords(zone);
  const cells = new Map<string, Map<string, Stretch[]>>();
  const workdays = new Set<string>();
  let last: string | null = null;
  for (const stretch of stretches) {
    const { ticket } = splitTask(stretch.task);
    const own = cells.get(ticket) ?? new Map<string, Stretch[]>();
    cells.set(ticket, own);
    const [first, end] = [dayOf(stretch.from), dayOf(stretch.to)];
    if (stretch.kind === 'work') workdays.add(first);
    for (let day = first; day === first || (stretch.kind === 'cure' && day <= end); day = dayAfter(day, 1)) {
      const list = own.get(day);
      if (list) list.push(stretch);
      else own.set(day, [stretch]);
    }
    if (last === null || end > last) last = end;
  }
  return { cells, workdays, last };
}

/** The columns of a week that begins on any day: its ordinary days, and those others on which somebody works. */
export const shownDays = (from: string, workdays: ReadonlySet<string>): string[] =>
  Array.from({ length: daysOfWeek }, (_, i) => dayAfter(from, i)).filter(
    (day) => daysBetween(mondayOf(day), day) < ordinaryDays || workdays.has(day),
  );
