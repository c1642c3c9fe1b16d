import type { InstrumentType } from '../instruments';
import { foldEntries, foldJob, turnsPlan, type Entry, type JobState } from '../job';
import { progressOf } from './again';
import { planInputOf } from './planInput';
import { tableWith } from './operations';
import { planOverhaul } from './planOverhaul';
import type { CustomWork, PlannedOperation } from './plan.schema';
import { spoiltSteps, type Spoilt } from './spoilt';

type Planned = Pick<PlannedOperation, 'id' | 'title' | 'part' | 'kind' | 'after' | 'minutes'>;

export interface PlanMove {
  id: string;
  /** a step it now stands on the other side of */
  past: string;
  /** now before or after that one */
  now: 'before' | 'after';
  /** the rule that is new, or none where a rule fell away */
  reason: string | null;
}

/** What is different between two plans, by operation ids. */
export interface PlanDiff {
  added: string[];
  gone: string[];
  moved: PlanMove[];
  retimed: { id: string; was: number; now: number }[];
}

/** Places of a longest run of the list that already stands in order. */
function longestRising(list: readonly number[]): Set<number> {
  const tails: number[] = [];
  const before = new Array<number>(list.length).fill(-1);
  list.forEach((value, i) => {
    let [low, high] = [0, tails.length];
    while (low < high) {
      const middle = (low + high) >> 1;
      if ((list[tails[middle] as number] as number) < value) low = middle + 1;
      else high = middle;
    }
    before[i] = low > 0 ? (tails[low - 1] as number) : -1;
    tails[low] = i;
  });
  const kept = new Set<number>();
  for (let at = tails.at(-1) ?? -1; at >= 0; at = before[at] as number) kept.add(at);
  return kept;
}

/**
 * What changed from one plan to the next: steps that came, went, changed places or times. Of steps that changed places
 * the fewest are named that explain the new order.
 */
export function planDiff(was: readonly Planned[], now: readonly Planned[]): PlanDiff {
  const wasAt = new Map(was.map(({ id }, i) => [id, i]));
  const nowAt = new Map(now.map(({ id }, i) => [id, i]));
  const common = now.filter(({ id }) => wasAt.has(id));
  const kept = longestRising(common.map(({ id }) => wasAt.get(id) as number));
  const moved = common.flatMap((operation, i): PlanMove[] => {
    if (kept.has(i)) return [];
    const [then, here] = [wasAt.get(operation.id) as number, nowAt.get(operation.id) as number];
    const passed = common.filter(
      ({ id }) => id !== operation.id && (wasAt.get(id) ?? 0) < then !== (nowAt.get(id) ?? 0) < here,
    );
    const moves = passed.map((past): PlanMove => {
      const isBefore = here < (nowAt.get(past.id) as number);
      const [first, second] = isBefore ? [operation, past] : [past, operation];
      const reason = second.after.find(({ id }) => id === first.id)?.reason ?? null;
      return { id: operation.id, past: past.id, now: isBefore ? 'before' : 'after', reason };
    });
    return [moves.find(({ reason }) => reason !== null) ?? moves[0]].filter((move) => move !== undefined);
  });
  const before = new Map(was.map((operation) => [operation.id, operation]));
  return {
    added: now.filter(({ id }) => !wasAt.has(id)).map(({ id }) => id),
    gone: was.filter(({ id }) => !nowAt.has(id)).map(({ id }) => id),
    moved,
    retimed: common.flatMap(({ id, minutes }) => {
      const then = before.get(id)?.minutes.likely ?? minutes.likely;
      return then === minutes.likely ? [] : [{ id, was: then, now: minutes.likely }];
    }),
  };
}

/** What one entry did to the plan. */
export interface PlanTurn extends PlanDiff {
  entry: Entry;
  /** done steps that this made worthless */
  again: (Spoilt & { id: string })[];
  /** titles of every operation named, with parts by their ids */
  operations: ReadonlyMap<string, { kind: string; part: string }>;
}

interface Moment {
  operations: PlannedOperation[];
  spoilt: Map<string, Spoilt>;
}

function planThen(state: JobState, custom: CustomWork | undefined, type: InstrumentType | null): Moment {
  if (!type) return { operations: [], spoilt: new Map() };
  const { operations } = planOverhaul(planInputOf(state, type, custom), type);
  const spoilt = spoiltSteps(operations, tableWith(custom?.operations), progressOf(state));
  return { operations, spoilt };
}

/**
 * What the last entries did to the plan, newest first: what came, went and moved, and what was done and lost its worth.
 * Entries that changed nothing are left out. Folds the logbook once up to the first of them.
 *
 * @param most how many entries are looked at
 */
export function planTurns(state: JobState, custom: CustomWork | undefined, most = 12): PlanTurn[] {
  const entries = state.entries;
  const places = entries.flatMap(({ kind }, i) => (turnsPlan(kind) ? [i] : [])).slice(-most);
  const [first] = places;
  if (first === undefined) return [];
  let then = foldJob(entries.slice(0, first));
  let was = planThen(then, custom, then.instrument);
  let folded = first;
  const turns: PlanTurn[] = [];
  for (const place of places) {
    const entry = entries[place] as Entry;
    then = foldEntries(then, entries.slice(folded, place + 1));
    folded = place + 1;
    const now = planThen(then, custom, then.instrument);
    const diff = planDiff(was.operations, now.operations);
    const again = [...now.spoilt].flatMap(([id, why]) => (was.spoilt.has(id) ? [] : [{ id, ...why }]));
    const turned = diff.added.length + diff.gone.length + diff.moved.length + diff.retimed.length + again.length > 0;
    if (turned && was.operations.length > 0) {
      const operations = new Map([...was.operations, ...now.operations].map((each) => [each.id, each]));
      turns.unshift({ entry, ...diff, again, operations });
    }
    was = now;
  }
  return turns;
}
