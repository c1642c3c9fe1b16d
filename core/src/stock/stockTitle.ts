import { freshId } from '../ids';
import { joined, phrase, printPhrase, size, type Phrase } from '../units';
import { thingSchema, type StockItemBody, type Thing } from './item.schema';
import { stockSizes, stockTable } from './kindTable';

/**
 * What something in a drawer is called: its kind, its sizes, and what else tells it from its neighbours.
 *
 * @example printPhrase(stockTitle({ kind: 'pad', diameter: 16, thickness: 2.6, hole: 6 }), 'mm') // => "Pad 16 mm × 2.6 mm, pierced 6 mm"
 */
export function stockTitle({ kind, name, diameter, thickness, width, length, hole, material, form }: Thing): Phrase {
  const sizes = [diameter, thickness, width, length].flatMap((mm) => (mm === undefined ? [] : [[size(mm)]]));
  const more: Phrase[] = [];
  if (hole !== undefined) more.push(kind === 'pad' ? phrase`pierced ${size(hole)}` : phrase`hole ${size(hole)}`);
  for (const words of [material, form, name]) if (words !== undefined) more.push([words]);
  const first = joined([
    [kind === 'other' && name !== undefined ? name : stockTable[kind].one],
    ...(sizes.length > 0 ? [joined(sizes, ' × ')] : []),
  ]);
  const rest = kind === 'other' ? more.filter(([words]) => words !== name) : more;
  return joined([first, ...rest], ', ');
}

/**
 * An id for something new: short enough to be said, and never one that is taken.
 *
 * @example stockId({ kind: 'pad', diameter: 17.5, thickness: 3.4, hole: 6, material: 'skin' }, []) // => "pad-17-5-3-4-6-skin"
 */
export function stockId(item: Thing, taken: Iterable<string>): string {
  const sizes = stockSizes.flatMap((each) =>
    item[each] === undefined ? [] : [String(Math.round(item[each] * 1000) / 1000)],
  );
  const words = [item.kind, ...sizes, item.name, item.material, item.form].filter(Boolean).join(' ');
  return freshId(words.replaceAll('.', ' '), item.kind, taken);
}

/** What a bag says: what lies in a drawer, in the unit it is sold in. */
export const bagTitle = (item: StockItemBody): string => printPhrase(stockTitle(item), item.soldIn);

const told = Object.keys(thingSchema.properties) as (keyof Thing)[];

/** What something in a drawer is called by, without what the drawer knows of it. */
export const thingOf = (item: Thing): Thing =>
  Object.fromEntries(told.flatMap((key) => (item[key] === undefined ? [] : [[key, item[key]]]))) as unknown as Thing;
