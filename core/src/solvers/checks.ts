import { sameWithin, Unsolvable } from '../metrology';
import type { Problem } from './contract';

/** Problems for every `at` that stands a second time in one list. */
export function repeatedAt(list: readonly { at: number }[], path: string): Problem[] {
  const seen: number[] = [];
  return list.flatMap(({ at }, i) => {
    const repeated = seen.some((earlier) => Math.abs(earlier - at) <= sameWithin);
    seen.push(at);
    return repeated ? [{ path: `${path}/${i}/at`, message: `must not repeat ${at}` }] : [];
  });
}

/** A problem when a [low, high] pair stands the wrong way round. */
export function reversedPair(pair: readonly number[], path: string): Problem[] {
  const [low = 0, high = 0] = pair;
  return low > high ? [{ path, message: `must run from low to high, not ${low} to ${high}` }] : [];
}

/**
 * Every id once in a list.
 *
 * @throws Unsolvable naming the first that stands twice
 */
export function oneOfEach(list: readonly { id: string }[], what: string): void {
  const seen = new Set<string>();
  for (const { id } of list) {
    if (seen.has(id)) throw new Unsolvable(`There are two of the ${what} “${id}”: each needs an id of its own.`);
    seen.add(id);
  }
}
