import { oncePerType, overRelations, removableParts, type RemovablePart } from '../instruments';

/**
 * The order in which an instrument comes apart: down the tube, but whatever passes over, runs through or holds a part
 * before that part, and what a rod or a pair of pivots held right after it. Read backwards it is the way back. Made once for
 * each instrument.
 */
export const stripOrder = oncePerType((type): readonly RemovablePart[] => {
  const parts = removableParts(type);
  const byId = new Map(parts.map((part) => [part.id, part]));
  const relations = overRelations(type);
  const order = new Set<string>();
  // A circle cannot be undone from anywhere: it is entered where the tube comes to it first.
  const entered = new Set<string>();
  const takeOff = (id: string) => {
    if (entered.has(id)) return;
    entered.add(id);
    for (const { over, under } of relations) if (under === id) takeOff(over);
    order.add(id);
    const kind = byId.get(id)?.kind;
    if (kind === 'rod' || kind === 'pivot') for (const { over, under } of relations) if (over === id) takeOff(under);
  };
  for (const { id } of parts) takeOff(id);
  return [...order].flatMap((id) => byId.get(id) ?? []);
});
