import { stages, type Stage } from '../vocabulary';
import { homeStage, kindRules, stageRules } from './orderRules';

/** What ordering needs to know of an operation. */
export interface Orderable {
  id: string;
  stage: Stage;
  kind: string;
  /** place of its kind in the table: the depth of the work within its stage */
  rank: number;
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
const rankOf = ({ stage, rank }: Orderable) => (stageRank.get(stage) ?? 0) * 10_000 + rank;

/** The house order: stage, then depth within the stage, then part. Total, so the same input gives the same plan. */
const inHouseOrder = (a: Orderable, b: Orderable): number =>
  rankOf(a) - rankOf(b) || (a.id < b.id ? -1 : Number(a.id > b.id));

const splitMeasure = (measure: string) => {
  const at = measure.indexOf(':');
  return { group: measure.slice(0, at), part: measure.slice(at + 1) };
};

/** The group a measure `group:part` speaks of. */
export const groupOf = (measure: string): string => splitMeasure(measure).group;

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

/** The measures a step sets, not merely upsets on its way. */
export const ownMeasures = ({ disturbs, stage }: Pick<Orderable, 'disturbs' | 'stage'>): string[] =>
  disturbs.filter((measure) => (homeStage[groupOf(measure)] ?? stage) === stage);

/** The first measure of one list that some measure of the other speaks of too. */
export const sharedMeasure = (some: readonly string[], others: readonly string[]): string | undefined =>
  some.find((a) => others.some((b) => overlaps(a, b)));

const reasonByStages = new Map(stageRules.map(({ before, after, reason }) => [`${before}>${after}`, reason]));

const reasonByKinds = new Map(kindRules.map(({ before, after, reason }) => [`${before}>${after}`, reason]));
const isWhole = ({ part }: Orderable) => part === 'instrument';

/** Why `first` must come before `second`, given that it stands earlier in house order; null when nothing says so. */
function reasonFor(first: Orderable, second: Orderable): string | null {
  const kinds = reasonByKinds.get(`${first.kind}>${second.kind}`);
  if (kinds !== undefined) return kinds;
  const rule = reasonByStages.get(`${first.stage}>${second.stage}`);
  if (rule !== undefined) return rule;
  const needed = sharedMeasure(second.needs, first.disturbs);
  if (needed !== undefined) {
    return `It needs fresh ${groupOf(needed)} readings, and “${first.title}” disturbs them.`;
  }
  if (first.stage !== second.stage) {
    return first.part === second.part && first.part !== 'instrument'
      ? 'The deeper fault of one part is cured first.'
      : null;
  }
  if (first.kind === second.kind) return null;
  if (first.part === second.part)
    return isWhole(first)
      ? 'Of work on the whole instrument the earlier lays the ground for the later.'
      : 'On one part the deeper work comes first.';
  if (sharedMeasure(ownMeasures(first), ownMeasures(second)) === undefined) return null;
  return isWhole(second)
    ? 'What is wrong on one part is put right before the whole is gone over.'
    : `“${first.title}” reaches wider and would move what this one sets.`;
}

/** A wish of a person: this step before that one. */
export interface Pin {
  operation: string;
  before: string;
  reason: string;
}

export interface Ordered<T> {
  ordered: T[];
  edges: Edge[];
  /** wishes the rules do not allow, with the chain that speaks against each */
  unkept: Pin[];
}

/**
 * The chain of edges by which one operation must come before another, first to last; null when none does.
 */
export function chainBetween(edges: readonly Edge[], from: string, to: string): Edge[] | null {
  const leaving = new Map<string, Edge[]>();
  for (const edge of edges) leaving.set(edge.before, [...(leaving.get(edge.before) ?? []), edge]);
  const cameBy = new Map<string, Edge>();
  const queue = [from];
  for (let at = queue.shift(); at !== undefined; at = queue.shift()) {
    if (at === to) break;
    for (const edge of leaving.get(at) ?? []) {
      if (cameBy.has(edge.after) || edge.after === from) continue;
      cameBy.set(edge.after, edge);
      queue.push(edge.after);
    }
  }
  if (!cameBy.has(to)) return null;
  const chain: Edge[] = [];
  for (let edge = cameBy.get(to); edge; edge = edge.before === from ? undefined : cameBy.get(edge.before)) {
    chain.unshift(edge);
  }
  return chain;
}

/** Earliest in house order among those whose predecessors all stand already. */
function topological<T extends Orderable>(inHouse: readonly T[], edges: readonly Edge[], wishes: readonly Pin[]): T[] {
  // What was put before another goes right before it, not merely somewhere before it.
  const turn = new Map(inHouse.map(({ id }, i) => [id, i]));
  wishes.forEach(({ operation, before }, i) => {
    const target = turn.get(before) ?? 0;
    if ((turn.get(operation) ?? 0) > target) turn.set(operation, target - 0.5 + i / (2 * wishes.length + 2));
  });
  const inTurn = [...inHouse].sort((a, b) => (turn.get(a.id) ?? 0) - (turn.get(b.id) ?? 0));
  const waits = new Map(inHouse.map(({ id }) => [id, 0]));
  const followers = new Map<string, string[]>();
  for (const { before, after } of edges) {
    waits.set(after, (waits.get(after) ?? 0) + 1);
    const list = followers.get(before);
    if (list) list.push(after);
    else followers.set(before, [after]);
  }
  const rest = new Set(inTurn);
  const ordered: T[] = [];
  while (rest.size > 0) {
    const next = [...rest].find(({ id }) => waits.get(id) === 0);
    // Wishes that would close a circle were turned away before, so there is always one.
    if (!next) break;
    rest.delete(next);
    ordered.push(next);
    for (const after of followers.get(next.id) ?? []) waits.set(after, (waits.get(after) ?? 0) - 1);
  }
  return ordered;
}

/**
 * Operations in house order with the edges that justify it. Edges run only forward in house order, so there can be no
 * cycle; an edge that a chain of others already implies is left out. O(n³/word) in the number of operations, which is
 * a few hundred at most.
 *
 * Wishes of a person are taken in their order, each unless the edges and wishes so far speak against it.
 */
export function orderOperations<T extends Orderable>(operations: readonly T[], pins: readonly Pin[] = []): Ordered<T> {
  const inHouse = [...operations].sort(inHouseOrder);
  const edges: Edge[] = [];
  // reach[j] holds every i that must come before j.
  const reach: bigint[] = [];
  inHouse.forEach((second, j) => {
    let before = 0n;
    // Nearest first: what a nearer predecessor already implies needs no edge of its own.
    for (let i = j - 1; i >= 0; i -= 1) {
      const first = inHouse[i] as T;
      if ((before >> BigInt(i)) & 1n) continue;
      const reason = reasonFor(first, second);
      if (reason === null) continue;
      edges.push({ before: first.id, after: second.id, reason });
      before |= (reach[i] ?? 0n) | (1n << BigInt(i));
    }
    reach.push(before);
  });
  const known = new Map(inHouse.map(({ id, title }) => [id, title]));
  const unkept: Pin[] = [];
  const wishes: Pin[] = [];
  for (const pin of pins) {
    if (!known.has(pin.operation) || !known.has(pin.before) || pin.operation === pin.before) continue;
    const against = chainBetween(edges, pin.before, pin.operation);
    if (against) {
      unkept.push({ ...pin, reason: chainWords(against, known) });
      continue;
    }
    wishes.push(pin);
    if (chainBetween(edges, pin.operation, pin.before)) continue;
    edges.push({
      before: pin.operation,
      after: pin.before,
      reason: `Put here by hand: ${pin.reason || 'no reason given'}`,
    });
  }
  return { ordered: wishes.length > 0 ? topological(inHouse, edges, wishes) : inHouse, edges, unkept };
}

/** A chain of edges as a sentence a person can check. */
export const chainWords = (chain: readonly Edge[], titles: ReadonlyMap<string, string>): string =>
  chain
    .map(
      ({ before, after, reason }) =>
        `“${titles.get(before) ?? before}” comes before “${titles.get(after) ?? after}”: ${reason}`,
    )
    .join(' ');
