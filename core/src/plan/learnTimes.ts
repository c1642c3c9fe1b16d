import type { Family } from '../vocabulary';

/** How long a step really took, against what the table said. */
export interface ActualTime {
  kind: string;
  family: Family;
  person: string;
  minutes: number;
  /** likely minutes of the table for that very step */
  expected: number;
  /** when it was done, ISO 8601 */
  at: string;
}

/** Factor on the table's time, and from how many times it was learned. */
export interface LearnedFactor {
  factor: number;
  times: number;
}

/** By `kind`, `kind family` and `kind family person`. Plain data. */
export type LearnedTimes = Readonly<Record<string, LearnedFactor>>;

/** How many times the table counts for: one odd afternoon must not turn an estimate round. */
const tableWeight = 4;
/** A step that took this many times longer or shorter than the table is a slip of the clock, and is cut off there. */
const mostRatio = 8;

const keyOf = (...parts: string[]) => parts.join(' ');

/** How often a person did a kind of work on a family, and the logarithms of actual/table added up. Plain data. */
export interface TimesSeen {
  kind: string;
  family: Family;
  person: string;
  logs: number;
  /** of the logarithms */
  squares: number;
  times: number;
  /** when the first of them was done, ISO 8601 */
  since: string;
}

/** What a lesson about times is called where it is put aside. */
export const timeLesson = ({ kind, family, person }: Pick<TimesSeen, 'kind' | 'family' | 'person'>): string =>
  `time ${keyOf(kind, family, person)}`;

/** What one person’s clock says of a kind of work on a family, before it is shrunk toward anything. */
export interface TimesTold {
  /** how many times as long as the table says, the middle of them in their logarithms */
  factor: number;
  /** about two of three lie within the factor times and divided by this; null where it was done once */
  spread: number | null;
}

/** @param seen done at least once */
export function timesTold({ logs, squares, times }: TimesSeen): TimesTold {
  const mean = logs / times;
  const variance = times > 1 ? Math.max(0, squares - times * mean * mean) / (times - 1) : null;
  return { factor: Math.exp(mean), spread: variance === null ? null : Math.exp(Math.sqrt(variance)) };
}

const earlier = (a: string, b: string): string => (Date.parse(a) <= Date.parse(b) ? a : b);

/** Single times, added up by kind, family and person. What no clock can have meant is left out. */
export function timesOf(actuals: readonly ActualTime[]): TimesSeen[] {
  const seen = new Map<string, TimesSeen>();
  for (const { kind, family, person, minutes, expected, at } of actuals) {
    if (!(minutes > 0) || !(expected > 0)) continue;
    const log = Math.log(Math.min(mostRatio, Math.max(1 / mostRatio, minutes / expected)));
    const key = keyOf(kind, family, person);
    const before = seen.get(key) ?? { kind, family, person, logs: 0, squares: 0, times: 0, since: at };
    seen.set(key, {
      ...before,
      logs: before.logs + log,
      squares: before.squares + log * log,
      times: before.times + 1,
      since: earlier(before.since, at),
    });
  }
  return [...seen.values()];
}

/**
 * What the shop's own clock says about the table's times. The logarithms of actual/table are averaged and shrunk: toward
 * 1 for a kind of work, toward the kind for a family, toward the family for a person, each as if the coarser one had
 * been seen four times.
 *
 * @param seen any order; the answer does not depend on it
 * @param aside lessons that are doubted: they are left out
 */
export function learnTimes(
  seen: readonly Pick<TimesSeen, 'kind' | 'family' | 'person' | 'logs' | 'times'>[],
  aside: readonly { lesson: string }[] = [],
): LearnedTimes {
  const doubted = new Set(aside.map(({ lesson }) => lesson));
  const sums = new Map<string, Sum>();
  for (const { kind, family, person, logs, times: often } of seen) {
    if (doubted.has(timeLesson({ kind, family, person }))) continue;
    for (const key of [keyOf(kind), keyOf(kind, family), keyOf(kind, family, person)]) {
      const { sum, times } = sums.get(key) ?? nothingSeen;
      sums.set(key, { sum: sum + logs, times: times + often });
    }
  }
  const of = (key: string | null) => (key === null ? nothingSeen : (sums.get(key) ?? nothingSeen));
  // What a finer group is shrunk toward leaves its own times out, or each would count twice.
  const toward = (key: string): number => {
    const coarser = coarserKey(key);
    if (coarser === null) return 0;
    const [all, own] = [of(coarser), of(key)];
    return shrunk({ sum: all.sum - own.sum, times: all.times - own.times }, toward(coarser));
  };
  return Object.fromEntries(
    [...sums].map(([key, each]) => [key, { factor: Math.exp(shrunk(each, toward(key))), times: each.times }]),
  );
}

interface Sum {
  sum: number;
  times: number;
}
const nothingSeen: Sum = { sum: 0, times: 0 };
const shrunk = ({ sum, times }: Sum, toward: number) => (tableWeight * toward + sum) / (tableWeight + times);

/** `kind family person` → `kind family` → `kind` → null; names may hold spaces, kinds and families do not. */
function coarserKey(key: string): string | null {
  const [kind = '', family, ...person] = key.split(' ');
  if (person.length > 0) return keyOf(kind, family ?? '');
  return family === undefined ? null : kind;
}

/** The finest factor that is known for a step; null when the shop has never done one. */
export function learnedFor(times: LearnedTimes, kind: string, family: Family, person?: string): LearnedFactor | null {
  return (
    (person === undefined ? undefined : times[keyOf(kind, family, person)]) ??
    times[keyOf(kind, family)] ??
    times[kind] ??
    null
  );
}
