import { holeUses, rimKinds, type ChangeableList, type InstrumentType } from '@holotonos/core';

/** One field of a row as a form asks for it. */
export interface RowField {
  name: string;
  label: string;
  kind: 'text' | 'number' | 'choice' | 'part' | 'parts';
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
const at: RowField = { name: 'at', label: 'From its upper end (mm)', kind: 'number', assumed: () => 10 };
const clock: RowField = { name: 'clock', label: 'Clock (°)', kind: 'number', assumed: () => 0 };
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
      { name: 'diameter', label: 'Diameter (mm)', kind: 'number', assumed: () => 8 },
      { name: 'chimney', label: 'Chimney (mm)', kind: 'number', assumed: () => 5 },
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
      { name: 'from', label: 'Begins at (mm)', kind: 'number', assumed: () => 10 },
      { name: 'to', label: 'Ends at (mm)', kind: 'number', assumed: () => 60 },
      { ...clock, assumed: () => 40 },
      { name: 'diameter', label: 'Diameter (mm)', kind: 'number', assumed: () => 2 },
      { name: 'kind', label: 'Kind', kind: 'choice', from: ['through', 'pivots'], assumed: () => 'through' },
      { name: 'pivot', label: 'Pivots are', kind: 'choice', from: ['', 'cone', 'cylinder'] },
    ],
  },
  pads: {
    title: 'Pad',
    fields: [
      { name: 'hole', label: 'Covers', kind: 'part', lists: ['holes'], needed: true },
      { name: 'key', label: 'On key', kind: 'part', lists: ['keys'], needed: true },
      { name: 'diameter', label: 'Diameter (mm)', kind: 'number', assumed: () => 12 },
      { name: 'axisDistance', label: 'Hinge to its middle (mm)', kind: 'number', assumed: () => 12 },
      { name: 'cupDepth', label: 'Depth of the cup (mm)', kind: 'number' },
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
      { name: 'length', label: 'Length (mm)', kind: 'number', assumed: () => 200 },
      { name: 'wall', label: 'Wall (mm)', kind: 'number', assumed: () => 5 },
      { name: 'boreTop', label: 'Bore at the top (mm)', kind: 'number', assumed: () => 15 },
      { name: 'boreEnd', label: 'Bore at the end (mm)', kind: 'number', assumed: () => 15 },
    ],
  },
};
export type FormList = keyof typeof rowForms;

/** The figures of a row that nobody measured, by what the form calls them. */
export const assumedWords = (list: ChangeableList, fields: readonly string[]): string =>
  fields
    .map((field) => rowForms[list]?.fields.find(({ name }) => name === field)?.label ?? field)
    .map((label) => label.replace(/ \(.*\)$/, '').toLowerCase())
    .join(', ');

export type Filled = Record<string, string | readonly string[]>;

/** A row from what was filled in; what was left open is assumed and listed as such. */
export function rowFrom(
  type: InstrumentType,
  list: ChangeableList,
  id: string,
  name: string,
  filled: Filled,
): Record<string, unknown> {
  const row: Record<string, unknown> = {};
  const assumed: string[] = [];
  for (const { name: field, kind, assumed: stands } of rowForms[list]?.fields ?? []) {
    const value = filled[field];
    if (Array.isArray(value) ? value.length > 0 : value !== undefined && value !== '') {
      row[field] = kind === 'number' ? Number(String(value).replace(',', '.')) : value;
    } else if (stands) {
      row[field] = stands(type);
      assumed.push(kind === 'number' ? field : '');
    }
  }
  const open = assumed.filter((field) => field !== '');
  if (list === 'sections') {
    const { length, boreTop, boreEnd, ...rest } = row;
    const bore = [
      { at: 0, diameter: boreTop },
      { at: length, diameter: boreEnd },
    ];
    return { id, name, ...rest, length, bore, ...(open.length > 0 && { assumed: open }) };
  }
  const named = list === 'pads' ? {} : list === 'links' ? { id } : { id, name };
  return { ...named, ...row, ...(open.length > 0 && { assumed: open }) };
}

/** What a form shows of a row that is there already. */
export function filledFrom(list: ChangeableList, row: object): Filled {
  const values = row as Record<string, unknown>;
  const filled: Record<string, string | readonly string[]> = {};
  for (const { name: field } of rowForms[list]?.fields ?? []) {
    const value = values[field];
    if (Array.isArray(value)) filled[field] = value as string[];
    else if (value !== undefined) filled[field] = String(value);
  }
  const bore = values.bore as { diameter: number }[] | undefined;
  if (bore) {
    filled.boreTop = String(bore[0]?.diameter ?? '');
    filled.boreEnd = String(bore.at(-1)?.diameter ?? '');
  }
  return filled;
}
