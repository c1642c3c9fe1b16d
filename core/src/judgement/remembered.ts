import type { InstrumentType } from '../instruments';
import { sameList, type JobState } from '../job';
import { pointsOf, type PointState } from '../readings';
import type { MeasuredJob } from '../measures';

/** What was worked out, and all that was read for it. */
interface Kept {
  value: unknown;
  points: ReadonlyMap<string, PointState | undefined>;
  parts: readonly PartRead[];
  basis: readonly unknown[];
}

interface PartRead {
  group: string;
  part: string;
  list: readonly PointState[];
}

/** What is remembered of one job, by what was asked. */
type Memory = Map<string, Kept>;

/** One for each job and whoever answers the solvers' questions in it; gone with the job's first entry. */
const memories = new WeakMap<object, WeakMap<object, Memory>>();

function memoryOf(state: JobState, asker: object): Memory {
  const [first] = state.entries;
  if (!first) return new Map();
  const byJob = memories.get(asker) ?? new WeakMap<object, Memory>();
  memories.set(asker, byJob);
  const known = byJob.get(first) ?? new Map<string, Kept>();
  byJob.set(first, known);
  return known;
}

/** Works things out of a job and remembers them as long as everything that was read for them is still the same. */
export interface Rememberer {
  /**
   * @param name what is worked out; the same name always stands for the same work
   * @param also what else it is made from
   */
  of: <T>(name: string, work: (state: MeasuredJob) => T, also?: readonly unknown[]) => T;
  /** Says that an answer was missing for what is being worked out: then it is not kept. */
  incomplete: () => void;
}

/**
 * A fold leaves every point alone that no entry spoke of, so what a report has read tells whether it still holds: one more
 * reading costs the report of its own part and of those that look across at it, and no list of who looks at what has to
 * be kept by hand.
 *
 * @param asker whoever answers the solvers' questions: what one has answered is not taken for another's answer
 */
export function remembering(state: JobState, type: InstrumentType, asker: object): Rememberer {
  const memory = memoryOf(state, asker);
  const { passes, tolerances, practice } = state;
  let lacking = false;
  const holds = ({ points, parts, basis: was }: Kept, basis: readonly unknown[]): boolean => {
    if (!sameList(was, basis)) return false;
    for (const [key, point] of points) if (state.points.get(key) !== point) return false;
    return parts.every(({ group, part, list }) => sameList(list, pointsOf(state, group, part)));
  };
  return {
    incomplete: () => {
      lacking = true;
    },
    of: <T>(name: string, work: (state: MeasuredJob) => T, also: readonly unknown[] = []): T => {
      const basis = [type, passes, tolerances, practice, ...also];
      const known = memory.get(name);
      if (known && holds(known, basis)) return known.value as T;
      const points = new Map<string, PointState | undefined>();
      const parts: PartRead[] = [];
      lacking = false;
      const get = (key: string) => {
        const point = state.points.get(key);
        points.set(key, point);
        return point;
      };
      const ofPart = (group: string, part: string) => {
        const list = pointsOf(state, group, part);
        parts.push({ group, part, list });
        return list;
      };
      const value = work({ passes, tolerances, practice, points: { get, ofPart } });
      if (lacking) memory.delete(name);
      else memory.set(name, { value, points, parts, basis });
      return value;
    },
  };
}
