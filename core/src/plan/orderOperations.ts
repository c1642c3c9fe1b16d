import { stages, type Stage } from '../vocabulary';
import { operationKinds, type OperationKindName } from './operations';
import { stageRules } from './orderRules';

/** What ordering needs to know of an operation. */
export interface Orderable {
  id: string;
  stage: Stage;
  kind: OperationKindName;
  part: string;
  title: string;
  disturbs: readonly string[];
  needs: readonly string[];
}

export interface Edge {
  before: string;
  after: string;
  reason: string;
}

const stageRank = new Map(stages.map((stage, i) => [stage, i]));
const kindRank = new Map(Object.keys(operationKinds).map((kind, i) => [kind, i]));
const rankOf = ({ stage, kind }: Orderable) => (stageRank.get(stage) ?? 0) * 1000 + (kindRank.get(kind) ?? 0);

/** The house order: stage, then depth within the stage, then part. Total, so the same input gives the same plan. */
export const inHouseOrder = (a: Orderable, b: Orderable): number =>
  rankOf(a) - rankOf(b) || (a.part < b.part ? -1 : Number(a.part > b.part));

const splitMeasure = (measure: string) => {
  const at = measure.indexOf(':');
  return { group: measure.slice(0, at), part: measure.slice(at + 1) };
};

/**
 * Do two measures `group:part` speak of the same thing? `*` is every part.
 *
 * @example overlaps('rim:*', 'rim:low-e') // => true
 */
export function overlaps(a: string, b: string): boolean {
  if (a === b) return true;
  const [left, right] = [splitMeasure(a), splitMeasure(b)];
  return left.group === right.group && (left.part === '*' || right.part === '*');
}

/**
 * Measures that nearly all work disturbs, by the stage whose own business they are. Elsewhere they say nothing about
 * which of two neighbours goes first.
 */
const homeStage: Record<string, Stage> = { pad: 'pads', link: 'regulate', pitch: 'tune' };
const ownMeasures = ({ disturbs, stage }: Orderable) =>
  disturbs.filter((measure) => (homeStage[splitMeasure(measure).group] ?? stage) === stage);

const anyOverlap = (some: readonly string[], others: readonly string[]) =>
  some.find((a) => others.some((b) => overlaps(a, b)));

const reasonByStages = new Map(stageRules.map(({ before, after, reason }) => [`${before}>${after}`, reason]));

/** Why `first` must come before `second`, given that it stands earlier in house order; null when nothing says so. */
function reasonFor(first: Orderable, second: Orderable): string | null {
  const rule = reasonByStages.get(`${first.stage}>${second.stage}`);
  if (rule !== undefined) return rule;
  const needed = anyOverlap(second.needs, first.disturbs);
  if (needed !== undefined) {
    const { group } = splitMeasure(needed);
    return `It needs fresh ${group} readings, and “${first.title}” disturbs them.`;
  }
  if (first.stage !== second.stage) {
    return first.part === second.part && first.part !== 'instrument'
      ? 'The deeper fault of one part is cured first.'
      : null;
  }
  if (first.kind === second.kind) return null;
  if (first.part === second.part) return 'On one part the deeper work comes first.';
  const moved = anyOverlap(ownMeasures(first), ownMeasures(second));
  return moved === undefined ? null : `“${first.title}” reaches wider and would move what this one sets.`;
}

/**
 * Operations in house order with the edges that justify it. Edges run only forward in house order, so there can be no
 * cycle; an edge that a chain of others already implies is left out. O(n³/word) in the number of operations, which is
 * a few hundred at most.
 */
export function orderOperations<T extends Orderable>(operations: readonly T[]): { ordered: T[]; edges: Edge[] } {
  const ordered = [...operations].sort(inHouseOrder);
  const edges: Edge[] = [];
  // reach[j] holds every i that must come before j.
  const reach: bigint[] = [];
  ordered.forEach((second, j) => {
    let before = 0n;
    // Nearest first: what a nearer predecessor already implies needs no edge of its own.
    for (let i = j - 1; i >= 0; i -= 1) {
      const first = ordered[i] as T;
      if ((before >> BigInt(i)) & 1n) continue;
      const reason = reasonFor(first, second);
      if (reason === null) continue;
      edges.push({ before: first.id, after: second.id, reason });
      before |= (reach[i] ?? 0n) | (1n << BigInt(i));
    }
    reach.push(before);
  });
  return { ordered, edges };
}
