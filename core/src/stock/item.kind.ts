import type { Problem } from '../solvers/contract';
import { put, says } from '../logbook';
import { itemSchema, type StockItemBody } from './item.schema';
import type { StockEntryKindOf } from './kind';
import { stockSizes, stockTable } from './kindTable';
import { bagTitle } from './stockTitle';

/** What something has to say of itself, and what it cannot have. */
function itemProblems(body: StockItemBody): Problem[] {
  const { kind, name } = body;
  const { one, needs, may } = stockTable[kind];
  const missing = needs.flatMap((size) =>
    body[size] === undefined ? says(size, `is what tells a ${one.toLowerCase()} from another`) : [],
  );
  const strange = stockSizes.flatMap((size) =>
    body[size] !== undefined && !needs.includes(size) && !may.includes(size)
      ? says(size, `says nothing of a ${one.toLowerCase()}`)
      : [],
  );
  const nameless = needs.length === 0 && name === undefined ? says('name', 'must say what it is') : [];
  const pierced =
    kind === 'pad' && body.hole !== undefined && body.diameter !== undefined && body.hole >= body.diameter
      ? says('hole', 'must be smaller than the pad')
      : [];
  return [...missing, ...strange, ...nameless, ...pierced];
}

/** Something has its place in a drawer, or is put away. The last word on it counts. */
export const item: StockEntryKindOf<'item', StockItemBody> = {
  body: itemSchema,
  problems: itemProblems,
  misfits: ({ items }, { id, kind }) => {
    const known = items.find((each) => each.id === id);
    return known && known.kind !== kind
      ? says('kind', `is ${known.kind} since it was written down: make another of it`)
      : [];
  },
  fold: (draft, { body: { have, ...body } }) => {
    draft.items = put(draft.items, body);
    if (have !== undefined) draft.counts.set(body.id, have);
  },
  words: (body) => `${body.retired ? 'Put away' : 'In the drawers'}: ${bagTitle(body)}`,
  bears: true,
};
