import {
  along,
  holeUses,
  parseLength,
  parseQuantity,
  parseSize,
  printQuantity,
  printShort,
  rimKinds,
  rulerOf,
  type ChangeableList,
  type InstrumentType,
  type LengthUnit,
} from '@holotonos/core';
import type { WrongField } from '@/ui/useWrongField';

/** What figures of a row are: a size, a place along its section, an angle round it. */
type Figure = 'size' | 'place' | 'angle';

/** One field of a row as a form asks for it. */
export interface RowField {
  name: string;
  label: string;
  kind: Figure | 'choice' | 'part' | 'parts';
  /** for a choice: the words; for a part: the lists it may come from */
  from?: readonly string[];
  lists?: readonly (keyof InstrumentType)[];
  /** stands in until somebody measures it; the row then says that it is assumed */
  assumed?: (type: InstrumentType) => unknown;
  needed?: boolean;
}

const on = (section: string): RowField => ({
  name: 'section',
  label: section,
  kind: 'part',
  lists: ['sections'],
  assumed: (type) => type.sections[0]?.id,
});
const at: RowField = { name: 'at', label: 'From its upper end', kind: 'place', assumed: () => 10 };
const clock: RowField = { name: 'clock', label: 'Clock', kind: 'angle', assumed: () => 0 };
const over: RowField = { name: 'over', label: 'Passes over', kind: 'parts', lists: ['keys', 'rods', 'fittings'] };

/** What the forms ask of each kind of part. Nothing but a name is needed; what is left open is assumed and said to be. */
export const rowForms: Partial<Record<ChangeableList, { title: string; fields: readonly RowField[] }>> = {
  keys: {
    title: 'Key',
    fields: [
      { name: 'rod', label: 'Turns on', kind: 'part', lists: ['rods'] },
      { name: 'nestsIn', label: 'Its tube runs inside that of', kind: 'part', lists: ['keys'] },
      { name: 'rest', label: 'At rest', kind: 'choice', from: ['open', 'closed'], assumed: () => 'closed' },
      over,
    ],
  },
  holes: {
    title: 'Tone hole',
    fields: [
      on('On'),
      at,
      clock,
      { name: 'diameter', label: 'Diameter', kind: 'size', assumed: () => 8 },
      { name: 'chimney', label: 'Chimney', kind: 'size', assumed: () => 5 },
      {
        name: 'rim',
        label: 'Rim',
        kind: 'choice',
        from: rimKinds,
        assumed: (type) => (type.body === 'wood' ? 'cut' : 'drawn'),
      },
      { name: 'use', label: 'For', kind: 'choice', from: holeUses, assumed: () => 'tone' },
    ],
  },
  posts: {
    title: 'Post',
    fields: [
      on('On'),
      at,
      clock,
      { name: 'rod', label: 'Carries', kind: 'part', lists: ['rods'] },
      { name: 'other', label: 'On its other side', kind: 'part', lists: ['rods'] },
    ],
  },
  rods: {
    title: 'Rod or pivots',
    fields: [
      on('On'),
      { name: 'from', label: 'Begins at', kind: 'place', assumed: () => 10 },
      { name: 'to', label: 'Ends at', kind: 'place', assumed: () => 60 },
      { ...clock, assumed: () => 40 },
      { name: 'diameter', label: 'Diameter', kind: 'size', assumed: () => 2 },
      { name: 'kind', label: 'Kind', kind: 'choice', from: ['through', 'pivots'], assumed: () => 'through' },
      { name: 'pivot', label: 'Pivots are', kind: 'choice', from: ['', 'cone', 'cylinder'] },
    ],
  },
  pads: {
    title: 'Pad',
    fields: [
      { name: 'hole', label: 'Covers', kind: 'part', lists: ['holes'], needed: true },
      { name: 'key', label: 'On key', kind: 'part', lists: ['keys'], needed: true },
      { name: 'diameter', label: 'Diameter', kind: 'size', assumed: () => 12 },
      { name: 'axisDistance', label: 'Hinge to its middle', kind: 'size', assumed: () => 12 },
      { name: 'cupDepth', label: 'Depth of the cup', kind: 'size' },
      {
        name: 'hold',
        label: 'Held by',
        kind: 'choice',
        from: ['adhesive', 'screw', 'grommet'],
        assumed: () => 'adhesive',
      },
    ],
  },
  links: {
    title: 'Link',
    fields: [
      { name: 'driver', label: 'When this key moves', kind: 'part', lists: ['keys'], needed: true },
      { name: 'follower', label: 'this key', kind: 'part', lists: ['keys'], needed: true },
      {
        name: 'acts',
        label: 'is',
        kind: 'choice',
        from: ['carries', 'holds-shut', 'holds-shut-at-rest'],
        assumed: () => 'carries',
      },
      {
        name: 'adjuster',
        label: 'Adjuster',
        kind: 'choice',
        from: ['screw', 'arm', 'cork', 'felt', 'paper', 'fixed'],
        assumed: () => 'cork',
      },
    ],
  },
  fittings: {
    title: 'Fitting',
    fields: [
      on('On'),
      at,
      clock,
      {
        name: 'kind',
        label: 'Kind',
        kind: 'choice',
        from: ['guard', 'brace', 'rest', 'ring', 'screw', 'plate', 'cork', 'pin', 'water-key', 'other'],
        assumed: () => 'other',
      },
      over,
    ],
  },
  sections: {
    title: 'Section',
    fields: [
      { name: 'length', label: 'Length', kind: 'size', assumed: () => 200 },
      { name: 'wall', label: 'Wall', kind: 'size', assumed: () => 5 },
      { name: 'boreTop', label: 'Bore at the top', kind: 'size', assumed: () => 15 },
      { name: 'boreEnd', label: 'Bore at the end', kind: 'size', assumed: () => 15 },
    ],
  },
};

const isFigure = (kind: RowField['kind']): kind is Figure => kind === 'size' || kind === 'place' || kind === 'angle';

/** The unit a figure of a row is told and typed in, in a job of this unit: places as on a ruler. */
const unitOf = (kind: Figure, unit: LengthUnit): LengthUnit | '°' =>
  kind === 'angle' ? '°' : kind === 'place' ? rulerOf(unit) : unit;

/** What a form calls a field, in a job of this unit. */
export const labelOf = ({ label, kind }: RowField, unit: LengthUnit): string =>
  isFigure(kind) ? `${label}, ${unitOf(kind, unit)}` : label;

/** A figure of a row as it is typed. */
function figureText(kind: Figure, figure: number, unit: LengthUnit): string {
  const own = unitOf(kind, unit);
  return own === '°' ? String(figure) : printShort(figure, own);
}

/** No part of an instrument is longer, mm. */
const longest = 5000;

/** A figure of a row that was typed, mm or degrees; or what is wrong with it. */
function readFigure(kind: Figure, text: string, unit: LengthUnit): number | string {
  if (kind === 'angle') {
    const read = parseQuantity(text, '°', unit);
    if (!read.ok) return read.problem;
    return read.value >= 0 && read.value < 360 ? read.value : 'Round the tube it goes from 0° to less than 360°.';
  }
  const read = kind === 'size' ? parseSize(text, unit) : parseLength(text, rulerOf(unit));
  if (!read.ok) return read.problem;
  if (read.mm < 0) return 'It is told from the upper end of its section, down: 0 or more.';
  return read.mm > longest ? `No part is longer than ${printQuantity(along(longest), unit)}.` : read.mm;
}

/** The figures of a row that nobody measured, by what the form calls them. */
export const assumedWords = (list: ChangeableList, fields: readonly string[]): string =>
  fields
    .map((field) => rowForms[list]?.fields.find(({ name }) => name === field)?.label ?? field)
    .map((label) => label.toLowerCase())
    .join(', ');

export type Filled = Record<string, string | readonly string[]>;

/** A row as a form gives it, or what is wrong with one of its fields. */
export type RowRead = { ok: true; row: Record<string, unknown> } | { ok: false; wrong: WrongField };

/** A row as the form has its fields: of a bore it knows the two ends. */
function plainOf(row: object): Record<string, unknown> {
  const { bore, assumed, ...plain } = row as { bore?: readonly { diameter: number }[]; assumed?: readonly string[] };
  const ends = bore ? { boreTop: bore[0]?.diameter, boreEnd: bore.at(-1)?.diameter } : {};
  const open = assumed?.flatMap((field) => (field === 'bore' ? Object.keys(ends) : [field]));
  return { ...plain, ...ends, ...(open && { assumed: open }) };
}

/**
 * A row from what was filled in. What was left open is assumed and listed as such; what stood there and was not typed
 * otherwise stays to the last digit, and what the form does not ask for stays too.
 *
 * @param before the row, where there is one already
 */
export function rowFrom(
  type: InstrumentType,
  list: ChangeableList,
  id: string,
  name: string,
  filled: Filled,
  unit: LengthUnit,
  before?: object,
): RowRead {
  const { fields = [] } = rowForms[list] ?? {};
  if (isNamed(list) && name === '')
    return { ok: false, wrong: { field: 'name', words: 'Give it a name: your own words will do.' } };
  const stood = before ? plainOf(before) : {};
  const shown = before ? filledFrom(list, before, unit) : {};
  const row = Object.fromEntries(
    Object.entries(stood).filter(([key]) => key !== 'assumed' && !fields.some((field) => field.name === key)),
  );
  const assumed: string[] = [];
  for (const { name: field, label, kind, needed, assumed: stands } of fields) {
    const value = filled[field];
    const open = value === undefined || value.length === 0;
    if (open && needed) return { ok: false, wrong: { field, words: `${label}: choose one.` } };
    if (!open && isFigure(kind) && value !== shown[field]) {
      const figure = readFigure(kind, String(value), unit);
      if (typeof figure === 'string') return { ok: false, wrong: { field, words: `${label}: ${figure}` } };
      row[field] = figure;
    } else if (!open) row[field] = isFigure(kind) ? stood[field] : value;
    else if (stands && (!before || field in stood)) {
      row[field] = isAssumed(stood, field) ? stood[field] : stands(type);
      if (isFigure(kind)) assumed.push(field);
    }
  }
  const tail = assumed.length > 0 ? { assumed } : {};
  if (list === 'sections') {
    const { length, boreTop, boreEnd, ...rest } = row;
    const bore = [
      { at: 0, diameter: boreTop },
      { at: length, diameter: boreEnd },
    ];
    return { ok: true, row: { ...rest, id, name, length, bore, ...tail } };
  }
  const named = list === 'pads' ? {} : list === 'links' ? { id } : { id, name };
  return { ok: true, row: { ...row, ...named, ...tail } };
}

/** Do parts of this kind have names of their own? Pads and links go by what they join. */
export const isNamed = (list: ChangeableList): boolean => list !== 'pads' && list !== 'links';

const isAssumed = (row: Readonly<Record<string, unknown>>, field: string): boolean =>
  (row.assumed as readonly string[] | undefined)?.includes(field) ?? false;

/** What a form shows of a row that is there already; a figure that nobody measured is not filled in. */
export function filledFrom(list: ChangeableList, row: object, unit: LengthUnit): Filled {
  const values = plainOf(row);
  const filled: Record<string, string | readonly string[]> = {};
  for (const { name: field, kind } of rowForms[list]?.fields ?? []) {
    const value = values[field];
    if (value === undefined || isAssumed(values, field)) continue;
    if (Array.isArray(value)) filled[field] = value as string[];
    else filled[field] = isFigure(kind) ? figureText(kind, Number(value), unit) : String(value);
  }
  return filled;
}

/** What stands in for the figures of a row that nobody measured, as the form shows them behind its empty fields. */
export function assumedFigures(list: ChangeableList, row: object, unit: LengthUnit): Record<string, string> {
  const values = plainOf(row);
  return Object.fromEntries(
    (rowForms[list]?.fields ?? []).flatMap(({ name: field, kind }) =>
      isFigure(kind) && isAssumed(values, field) ? [[field, figureText(kind, Number(values[field]), unit)]] : [],
    ),
  );
}
