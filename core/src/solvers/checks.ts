import { sameWithin } from '../metrology';
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
