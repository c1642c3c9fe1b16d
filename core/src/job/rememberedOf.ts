import type { JobState } from './jobState';

interface Kept {
  basis: readonly unknown[];
  value: unknown;
}

/** The very same things in the same places? What a fold has left alone is the same object still. */
export const sameList = (a: readonly unknown[], b: readonly unknown[]): boolean =>
  a.length === b.length && a.every((each, i) => each === b[i]);

/** By the first entry of a job, which all its states share; gone with it. */
const memories = new WeakMap<object, Map<string, Kept>>();

/**
 * Works something out of a job once for as long as what it is made from is the same: a fold leaves every map and list
 * alone that no entry of the batch spoke of.
 *
 * @param name what it is; the same name always stands for the same work
 * @param basis all it is made from
 */
export function rememberedOf<T>(state: JobState, name: string, basis: readonly unknown[], work: () => T): T {
  const [first] = state.entries;
  if (!first) return work();
  const memory = memories.get(first) ?? new Map<string, Kept>();
  memories.set(first, memory);
  const known = memory.get(name);
  if (known && sameList(known.basis, basis)) return known.value as T;
  const value = work();
  memory.set(name, { basis, value });
  return value;
}
