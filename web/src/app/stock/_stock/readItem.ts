import {
  idsOf,
  minorUnits,
  parseLength,
  parseNumber,
  stockId,
  stockSizes,
  stockTable,
  type CountedIn,
  type LengthUnit,
  type StockItem,
  type StockItemBody,
  type StockKind,
  type StockSize,
} from '@holotonos/core';

/** What is typed of something in a drawer. */
export interface ItemText {
  kind: StockKind;
  soldIn: LengthUnit;
  counted: CountedIn;
  sizes: Readonly<Partial<Record<StockSize, string>>>;
  name: string;
  material: string;
  form: string;
  count: string;
  low: string;
  lot: string;
  price: string;
  useBy: string;
}

export const sizeLabels: Readonly<Record<StockSize, string>> = {
  diameter: 'Diameter',
  thickness: 'Thickness',
  width: 'Width',
  length: 'Length',
  hole: 'Hole',
};

/** Sizes a kind is asked for, those it must have first. */
export const sizesOf = (kind: StockKind): readonly StockSize[] => [...stockTable[kind].needs, ...stockTable[kind].may];

type ReadItem = { ok: true; item: StockItemBody; count: number | null } | { ok: false; problem: string };

/**
 * Something in a drawer as it was typed. Sizes are in the unit it is sold in where no other is named.
 *
 * @param known what lies there, so that an id is not given twice; `before`: what is changed
 */
export function readItem(
  text: ItemText,
  known: readonly StockItem[],
  before: StockItem | null,
  currency: string,
): ReadItem {
  const wrong = (problem: string): ReadItem => ({ ok: false, problem });
  const item: Record<string, unknown> = { kind: text.kind, soldIn: text.soldIn, counted: text.counted };
  for (const size of stockSizes) {
    const typed = sizesOf(text.kind).includes(size) ? (text.sizes[size]?.trim() ?? '') : '';
    if (typed === '') {
      if (stockTable[text.kind].needs.includes(size))
        return wrong(
          `${sizeLabels[size]}: it is what tells a ${stockTable[text.kind].one.toLowerCase()} from another.`,
        );
      continue;
    }
    const parsed = parseLength(typed, text.soldIn);
    if (!parsed.ok) return wrong(`${sizeLabels[size]}: ${parsed.problem}`);
    item[size] = Math.round(parsed.mm * 1e6) / 1e6;
  }
  for (const field of ['name', 'material', 'form', 'useBy'] as const) {
    const typed = text[field].trim();
    if (typed !== '') item[field] = typed;
  }
  const counts: Partial<Record<'count' | 'low' | 'lot', number>> = {};
  for (const [field, label] of [
    ['count', 'How many there'],
    ['low', 'Low mark'],
    ['lot', 'In one bag'],
  ] as const) {
    if (text[field].trim() === '') continue;
    const parsed = parseNumber(text[field]);
    if (parsed === null || parsed < 0) return wrong(`${label}: type how many, such as 12.`);
    counts[field] = parsed;
  }
  if (counts.low !== undefined) item.low = counts.low;
  if (counts.lot !== undefined) item.lot = counts.lot;
  if (text.price.trim() !== '') {
    const price = minorUnits(text.price, currency);
    if (price === null) return wrong(`Price of one: type a sum in ${currency}, such as 2.40.`);
    item.price = price;
  }
  const made = item as Omit<StockItemBody, 'id'>;
  return {
    ok: true,
    item: { ...made, id: before?.id ?? stockId(made, idsOf(known)) },
    count: counts.count ?? null,
  };
}
