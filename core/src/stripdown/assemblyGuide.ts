import type { OverRelation } from '../instruments';

export interface AssemblyStep {
  part: string;
  /** why it does not stand where the strip-down read backwards would put it; empty where it does */
  reasons: string[];
}

/** Relations that cannot all be true, and what was done about it. */
export interface Contradiction {
  /** each part passes over the next, and the last over the first */
  circle: string[];
  reasons: string[];
  /** the relation that was set aside so that the guide could go on: the one the strip-down itself speaks against */
  setAside: OverRelation;
}

export interface AssemblyGuide {
  steps: AssemblyStep[];
  contradictions: Contradiction[];
}

/** A walk over the relations among these parts that comes back to where it began; null when there is none. */
function findCircle(parts: readonly string[], relations: readonly OverRelation[]): OverRelation[] | null {
  const clear = new Set<string>();
  const walk = (part: string, path: OverRelation[]): OverRelation[] | null => {
    const back = path.findIndex(({ over }) => over === part);
    if (back !== -1) return path.slice(back);
    if (clear.has(part)) return null;
    for (const relation of relations) {
      if (relation.over !== part) continue;
      const circle = walk(relation.under, [...path, relation]);
      if (circle) return circle;
    }
    clear.add(part);
    return null;
  };
  for (const part of parts) {
    const circle = walk(part, []);
    if (circle) return circle;
  }
  return null;
}

/**
 * How to put an instrument together again: the strip-down read backwards, corrected by what passes over what.
 *
 * A topological order of the relations that follows the reversed strip-down wherever it can. Relations that run in a
 * circle cannot all hold: each circle is named, the relation that disagrees with the strip-down is set aside, and the
 * guide goes on.
 *
 * @param off the parts in the order they came off
 * @param relations `over` goes on after `under`; relations with parts that did not come off say nothing
 *
 * @example assemblyGuide(['rod', 'key'], []).steps.map(({ part }) => part) // => ["key","rod"]
 */
export function assemblyGuide(off: readonly string[], relations: readonly OverRelation[]): AssemblyGuide {
  const backwards = [...new Set(off)].reverse();
  const place = new Map(backwards.map((part, i) => [part, i]));
  const placeOf = (part: string) => place.get(part) ?? 0;
  let held = relations.filter(({ over, under }) => over !== under && place.has(over) && place.has(under));
  const contradictions: Contradiction[] = [];
  for (let circle = findCircle(backwards, held); circle; circle = findCircle(backwards, held)) {
    // What came off later lies beneath, so in any circle some relation has it the wrong way round.
    const setAside = circle.reduce((worst, relation) =>
      placeOf(relation.over) - placeOf(relation.under) < placeOf(worst.over) - placeOf(worst.under) ? relation : worst,
    );
    contradictions.push({
      circle: circle.map(({ over }) => over),
      reasons: circle.map(({ reason }) => reason),
      setAside,
    });
    held = held.filter(({ over, under }) => over !== setAside.over || under !== setAside.under);
  }

  const steps: AssemblyStep[] = [];
  const on = new Set<string>();
  const waiting = [...backwards];
  while (waiting.length > 0) {
    const missing = (part: string) => held.filter(({ over, under }) => over === part && !on.has(under));
    const next = waiting.findIndex((part) => missing(part).length === 0);
    const [part = ''] = waiting.splice(next, 1);
    on.add(part);
    // It came later than backwards would have it exactly when something beneath it came off before it did.
    const reasons = held
      .filter(({ over, under }) => over === part && placeOf(under) > placeOf(part))
      .map(({ reason }) => reason);
    steps.push({ part, reasons });
  }
  return { steps, contradictions };
}
