import type { Draft } from '../logbook';
import type { JobState } from '../job';
import { countsByItem, thingOf, type ItemCount, type StockItem, type Thing } from '../stock';
import type { MaterialUse } from '../vocabulary';
import type { ChosenLine } from './chosen.kind';

/** What a part is given out of the drawers. */
export interface Chosen extends ChosenLine {
  entry: string;
  seq: number;
  /** the entry of the step that put it in; null while it lies in its drawer */
  taken: string | null;
}

/** One part has one of each use: its pad, its resonator, its cork. */
export const chosenKey = ({ use, part }: { use: MaterialUse; part: string }): string => `${use}:${part}`;

/** A step that is done puts in what it says it does. What was put in before stays the work of the step before. */
export function putIn(draft: Draft<Pick<JobState, 'chosen'>>, keys: readonly string[], entry: string): void {
  for (const key of keys) {
    const known = draft.chosen.get(key);
    if (known && known.taken === null) draft.chosen.set(key, { ...known, taken: entry });
  }
}

const summedUp = (lines: Iterable<ItemCount>): ItemCount[] =>
  [...countsByItem(lines)].map(([item, count]) => ({ item, count })).sort((a, b) => a.item.localeCompare(b.item));

/** What a job will still take out of the drawers, by item. */
export const needsOf = ({ chosen }: Pick<JobState, 'chosen'>): ItemCount[] =>
  summedUp([...chosen.values()].filter(({ taken }) => taken === null));

/** What a job has taken out of the drawers so far, by item. */
export const usedOf = ({ chosen }: Pick<JobState, 'chosen'>): ItemCount[] =>
  summedUp([...chosen.values()].filter(({ taken }) => taken !== null));

/**
 * What a step puts in: of the uses its kind has, what was chosen for its part, or for every part where it is done on the
 * whole instrument.
 *
 * @param puts uses of this kind of work
 * @returns keys of `JobState.chosen`
 */
export const takenBy = (
  { chosen }: Pick<JobState, 'chosen'>,
  puts: readonly MaterialUse[],
  part: string | null,
): string[] =>
  [...chosen].flatMap(([key, each]) =>
    each.taken === null && puts.includes(each.use) && (part === null || each.part === part) ? [key] : [],
  );

/** What some of what was chosen comes to, thing by thing: for a card that says what to take along. */
export function chosenSums(
  { chosen }: Pick<JobState, 'chosen'>,
  keys: readonly string[],
): { thing: Thing; count: number }[] {
  const sums = new Map<string, { thing: Thing; count: number }>();
  for (const key of keys) {
    const line = chosen.get(key);
    if (line) sums.set(line.item, { thing: line.thing, count: (sums.get(line.item)?.count ?? 0) + line.count });
  }
  return [...sums.values()];
}

/** Something out of a drawer for a part, as it is written down. */
export const lineFor = (use: MaterialUse, part: string, item: StockItem): ChosenLine => ({
  part,
  use,
  item: item.id,
  thing: thingOf(item),
  count: 1,
  ...(item.price !== undefined && { price: item.price }),
});
