import {
  minorDigits,
  stockId,
  stockKinds,
  stockTable,
  typedSum,
  bagTitle,
  type NewStockEntry,
  type Problem,
  type StockItemBody,
  type StockState,
} from '@holotonos/core';
import { isDeepStrictEqual } from 'node:util';
import { csvOf, readDecimal, rowsOf, unguard, type Column } from './csvText';
import { sniffCsv, type RowDefaults } from './readingsCsv';

/** Things a file may hold. */
const mostRows = 5000;

const sizeColumns = {
  'diameter (mm)': 'diameter',
  'thickness (mm)': 'thickness',
  'width (mm)': 'width',
  'length (mm)': 'length',
  'hole (mm)': 'hole',
} as const;
const figureColumns = { ...sizeColumns, lot: 'lot', low: 'low' } as const;
const textColumns = { 'name': 'name', 'material': 'material', 'form': 'form', 'use by': 'useBy' } as const;

/** The columns of the drawers as they go out; the same ones come in. */
const columnsFor = (currency: string): readonly Column[] => [
  { name: 'id', type: 'string', says: 'what it is called in orders and jobs; made up where it is empty' },
  { name: 'kind', type: 'string', says: `one of ${stockKinds.join(', ')}` },
  { name: 'title', type: 'string', says: 'kind and sizes as they are read; on the way out only' },
  { name: 'name', type: 'string', says: 'in the words of the shop' },
  { name: 'diameter (mm)', type: 'number', says: 'across' },
  { name: 'thickness (mm)', type: 'number', says: 'of a pad, a sheet, a shim' },
  { name: 'width (mm)', type: 'number', says: 'of a sheet or a flat spring' },
  { name: 'length (mm)', type: 'number', says: 'of a sheet, a rod, a spring' },
  { name: 'hole (mm)', type: 'number', says: 'of a pad: pierced so wide' },
  { name: 'material', type: 'string', says: 'what it is made of' },
  { name: 'form', type: 'string', says: 'such as round or barrel' },
  { name: 'sold in', type: 'string', says: 'mm, in or thou: the unit its sizes are said in' },
  { name: 'counted', type: 'string', says: 'piece, sheet, metre, gram or millilitre' },
  { name: 'count', type: 'number', says: 'how many there are' },
  { name: 'low', type: 'number', says: 'fewer than this, and it is ordered' },
  { name: 'lot', type: 'number', says: 'how many come in one bag' },
  { name: `price (${currency})`, type: 'number', says: 'of one, without tax' },
  { name: 'use by', type: 'string', says: 'last day of an adhesive' },
];

/** What lies in the drawers as CSV (RFC 4180), lengths in mm whatever they are sold in. What was put away is left out. */
export function stockToCsv({ items }: StockState, currency: string): string {
  const rows = items
    .filter(({ retired }) => !retired)
    .map((item) => [
      item.id,
      item.kind,
      bagTitle(item),
      item.name ?? '',
      item.diameter ?? '',
      item.thickness ?? '',
      item.width ?? '',
      item.length ?? '',
      item.hole ?? '',
      item.material ?? '',
      item.form ?? '',
      item.soldIn,
      item.counted,
      item.count,
      item.low ?? '',
      item.lot ?? '',
      item.price === undefined ? '' : typedSum(item.price, currency),
      item.useBy ?? '',
    ]);
  return csvOf(columnsFor(currency), rows);
}

export type StockFile = { ok: true; entries: NewStockEntry[]; lines: number[] } | { ok: false; problems: Problem[] };

const oneOf = <T extends string>(list: readonly T[], said: string): said is T =>
  (list as readonly string[]).includes(said);

/**
 * Understands a file of what lies in the drawers: what is new or said otherwise becomes an `item`, a count that differs a
 * count at the drawer. What stands there already as it is becomes nothing, so that a file brought in twice counts once.
 *
 * @returns the entries with the line each came from; or every fault by line and column
 */
export function stockFromCsv(
  text: string,
  known: StockState,
  currency: string,
  { author, now, mintId }: RowDefaults,
): StockFile {
  const { delimiter } = sniffCsv(text.slice(0, 64 * 1024));
  // Where a comma does not part the columns, it can only be a decimal point.
  const decimal = delimiter === ',' ? '.' : ',';
  let rows: string[][];
  try {
    rows = rowsOf(text, { delimiter });
  } catch (error) {
    return { ok: false, problems: [{ path: '', message: `is not readable as CSV: ${(error as Error).message}` }] };
  }
  const [header = [], ...body] = rows;
  const place = new Map(header.map((name, i) => [name.trim().toLowerCase(), i]));
  if (!place.has('kind')) return { ok: false, problems: [{ path: 'line 1', message: 'the column “kind” is missing' }] };
  if (body.length > mostRows)
    return { ok: false, problems: [{ path: '', message: `more than ${mostRows} rows: split the file` }] };
  const problems: Problem[] = [];
  const entries: NewStockEntry[] = [];
  const lines: number[] = [];
  const byId = new Map(known.items.map((item) => [item.id, item]));
  const taken = new Set(byId.keys());
  const seen = new Set<string>();
  body.forEach((row, i) => {
    const line = i + 2;
    const wrong: Problem[] = [];
    const cell = (name: string) => unguard((row[place.get(name) ?? -1] ?? '').trim());
    const complain = (name: string, message: string) => wrong.push({ path: `line ${line}, column “${name}”`, message });
    const figure = (name: string) => {
      const written = cell(name);
      if (written === '') return undefined;
      const read = readDecimal(written, written.includes('.') ? '.' : decimal);
      if (read === null) complain(name, `“${written.slice(0, 40)}” is not a figure`);
      return read ?? undefined;
    };
    const kind = cell('kind').toLowerCase();
    if (!oneOf(stockKinds, kind)) {
      complain('kind', `“${kind.slice(0, 40)}” is none of ${stockKinds.join(', ')}`);
      return void problems.push(...wrong);
    }
    const made: Record<string, unknown> = {};
    for (const [column, field] of Object.entries(figureColumns)) made[field] = figure(column);
    for (const [column, field] of Object.entries(textColumns)) made[field] = cell(column) || undefined;
    const price = figure(`price (${currency.toLowerCase()})`);
    if (price !== undefined) made.price = Math.round(price * 10 ** minorDigits(currency));
    const plain = Object.fromEntries(Object.entries(made).filter(([, value]) => value !== undefined));
    const soldIn = cell('sold in') || 'mm';
    const counted = cell('counted') || stockTable[kind].counted;
    const id = cell('id') || stockId({ kind, ...plain }, taken);
    if (seen.has(id)) complain('id', `“${id}” stands in the file twice`);
    seen.add(id);
    taken.add(id);
    const item = { id, kind, soldIn, counted, ...plain } as StockItemBody;
    const count = figure('count');
    problems.push(...wrong);
    if (wrong.length > 0) return;
    const before = byId.get(id);
    const { count: there = 0, ...was } = before ?? {};
    const write = (entry: Pick<NewStockEntry, 'kind' | 'body'>) => {
      entries.push({ id: mintId(), author, benchTime: now, ...entry } as NewStockEntry);
      lines.push(line);
    };
    if (!before || !isDeepStrictEqual(was, item)) write({ kind: 'item', body: item });
    if (count !== undefined && count !== there) write({ kind: 'move', body: { item: id, why: 'counted', count } });
  });
  return problems.length > 0 ? { ok: false, problems: problems.slice(0, 200) } : { ok: true, entries, lines };
}

/** An order as CSV: what is wanted of each thing, grouped as it was put together. */
export function orderToCsv(lines: readonly { item: StockItemBody; count: number }[]): string {
  return csvOf(
    [
      { name: 'id', type: 'string', says: 'what it is called in the drawers' },
      { name: 'kind', type: 'string', says: 'what it is' },
      { name: 'title', type: 'string', says: 'kind and sizes, in the unit it is sold in' },
      { name: 'count', type: 'number', says: 'how many' },
      { name: 'counted', type: 'string', says: 'piece, sheet, metre, gram or millilitre' },
    ],
    lines.map(({ item, count }) => [item.id, item.kind, bagTitle(item), count, item.counted]),
  );
}
