import type { OperationTable } from './operations';
import { ownMeasures, sharedMeasure } from './orderOperations';
import type { PlannedOperation } from './plan.schema';

/** Why a step that was done has to be looked at again. */
export interface Spoilt {
  /** the operation that spoils it, done since or still to come */
  by: string;
  /** what it set that is no longer so, `group:part`; null where it is only that the keys come off once more */
  measure: string | null;
}

/** When each operation ended, as its place in the logbook; null where it has not been done. */
export interface Progress {
  doneAt: (id: string) => number | null;
  /** skipped, or not wanted by the owner: it spoils nothing */
  dropped: (id: string) => boolean;
  /** when a finding was first written down, as its place in the logbook; null where nobody can say */
  foundAt?: (finding: string) => number | null;
}

/** What a step establishes: the measures it sets; for a step that only tests, those it tests. */
export const establishes = (operation: Pick<PlannedOperation, 'disturbs' | 'needs' | 'stage'>): string[] => {
  const own = ownMeasures(operation);
  return own.length > 0 || operation.disturbs.length > 0 ? own : [...operation.needs];
};

/** Every operation that must come before each, by chains of edges, as bits of its place in the plan. */
function ancestorBits(operations: readonly PlannedOperation[]): bigint[] {
  const at = new Map(operations.map(({ id }, i) => [id, i]));
  const bits: bigint[] = [];
  operations.forEach(({ after }, i) => {
    bits[i] = after.reduce((all, { id }) => {
      const before = at.get(id);
      return before === undefined ? all : all | (1n << BigInt(before)) | (bits[before] ?? 0n);
    }, 0n);
  });
  return bits;
}

/**
 * The steps that are done and have lost their worth: a step that comes before them in the order, and moves what they
 * set, is still to come or was done after them. A step done out of order has to be established again.
 *
 * Taking off and putting back lose theirs when work that wants the keys off comes up while they are on.
 *
 * @param operations in order, predecessors first, as `planOverhaul` gives them
 */
export function spoiltSteps(
  operations: readonly PlannedOperation[],
  table: OperationTable,
  { doneAt, dropped, foundAt = () => null }: Progress,
): Map<string, Spoilt> {
  const bits = ancestorBits(operations);
  const spoilt = new Map<string, Spoilt>();
  const later = (before: PlannedOperation, than: number) => {
    if (dropped(before.id)) return false;
    const at = doneAt(before.id);
    return at === null || at > than;
  };
  operations.forEach((step, i) => {
    const done = doneAt(step.id);
    if (done === null) return;
    const set = establishes(step);
    if (set.length === 0) return;
    for (let j = 0; j < i; j += 1) {
      const before = operations[j] as PlannedOperation;
      if (!(((bits[i] ?? 0n) >> BigInt(j)) & 1n) || !later(before, done)) continue;
      const measure = sharedMeasure(set, before.disturbs);
      if (measure === undefined) continue;
      spoilt.set(step.id, { by: before.id, measure });
      break;
    }
  });

  const inPart = operations.some(({ kind }) => kind === 'strip-some');
  const strip = operations.find(({ kind }) => kind === (inPart ? 'strip-some' : 'strip'));
  const assemble = operations.find(({ kind }) => kind === (inPart ? 'assemble-some' : 'assemble'));
  /** Where only some keys come off, those of one part count; over a whole strip-down one key is off in a moment. */
  const wantsOff = (kind: string) => {
    const work = table.get(kind);
    return work?.keysOff === true || (inPart && work?.clears !== undefined);
  };
  const on = assemble ? doneAt(assemble.id) : null;
  const offAt = strip ? doneAt(strip.id) : null;
  if (inPart && strip && offAt !== null && (on === null || on < offAt)) {
    // Keys were taken off for what was known then: what was found since may want others off.
    const since = operations.find(
      (operation) =>
        wantsOff(operation.kind) &&
        doneAt(operation.id) === null &&
        !dropped(operation.id) &&
        operation.cures.some((finding) => (foundAt(finding) ?? 0) > offAt),
    );
    if (since) spoilt.set(strip.id, { by: since.id, measure: null });
  }
  if (strip && assemble && on !== null) {
    const wantsKeysOff = operations.find(
      (operation) => wantsOff(operation.kind) && later(operation, on) && operation !== strip,
    );
    if (wantsKeysOff) {
      spoilt.set(assemble.id, { by: wantsKeysOff.id, measure: null });
      if (offAt !== null && offAt < on && doneAt(wantsKeysOff.id) === null)
        spoilt.set(strip.id, { by: wantsKeysOff.id, measure: null });
    }
  }
  return spoilt;
}
