import {
  allGroups,
  mmPerUnit,
  printFigure,
  unitOfMeasure,
  type EntryOf,
  type JobState,
  type LengthUnit,
  type Measure,
  type MeasureGroup,
  type NewEntryOf,
  type Problem,
} from '@holotonos/core';
import { csvOf, readDecimal, rowsOf, unguard } from './csvText';

/** The columns of readings as they go out, with what stands in each: one list for the file, its description and its reader. */
export const readingColumns = [
  {
    name: 'entry',
    type: 'string',
    says: 'id of the entry in the logbook; makes a row known, so that it is taken once',
  },
  { name: 'bench time', type: 'datetime', says: 'when it was read, ISO 8601' },
  { name: 'author', type: 'string', says: 'who read it' },
  { name: 'group', type: 'string', says: 'group of measures' },
  { name: 'part', type: 'string', says: 'id of the part on the instrument' },
  { name: 'measure', type: 'string', says: 'what was measured' },
  { name: 'clock (deg)', type: 'number', says: 'direction, 0 where there is none' },
  { name: 'at (mm)', type: 'number', says: 'distance along the part; empty where it has no stations' },
  { name: 'held', type: 'string', says: 'of a link: ids of the keys that were held down meanwhile, joined by +' },
  { name: 'value (mm)', type: 'number', says: 'the figure: mm; a leak in mL/min, a force in N, a lean in degrees' },
  { name: 'typed', type: 'string', says: 'as it was typed, with its unit' },
  { name: 'gauge', type: 'string', says: 'id of the gauge' },
  { name: 'gauge name', type: 'string', says: 'name of the gauge' },
  { name: 'gauge resolution (mm)', type: 'number', says: 'smallest step shown, in the unit of the value' },
  { name: 'gauge max error (mm)', type: 'number', says: 'largest error allowed, in the unit of the value' },
  { name: 'temperature (C)', type: 'number', says: 'of the room, where it was written down' },
  { name: 'humidity (%)', type: 'number', says: 'of the room, relative, where it was written down' },
  { name: 'stale because of', type: 'string', says: 'the work that disturbed it; on the way out only' },
] as const;

type Reading = EntryOf<'reading'>;

/** Readings of a job that stand, in the order they were taken; of one group, if one is named. */
const standing = (state: JobState, group?: MeasureGroup): Reading[] =>
  state.entries.filter(
    (entry): entry is Reading =>
      entry.kind === 'reading' && !state.struck.has(entry.id) && (!group || entry.body.point.group === group),
  );

/** Groups in which something stands. */
export const groupsWithReadings = (state: JobState): MeasureGroup[] =>
  allGroups().filter((group) => standing(state, group).length > 0);

/**
 * The readings of a job as CSV (RFC 4180), one a row, in the order they were taken; units stand in the header. Struck
 * readings are left out.
 */
export function readingsToCsv(state: JobState, group?: MeasureGroup): string {
  const staleBy = new Map<string, string>();
  for (const { readings } of state.points.values()) {
    for (const { entry, stale } of readings) if (stale) staleBy.set(entry, stale.title);
  }
  const rows = standing(state, group).map((entry) => {
    const { point, value, typed, gauge, temperature, humidity } = entry.body;
    const { group: of, part, measure, clock, at, held = [] } = point;
    return [
      entry.id,
      entry.benchTime,
      entry.author,
      of,
      part,
      measure,
      clock,
      at ?? '',
      held.join('+'),
      value,
      typed,
      gauge.id,
      gauge.name,
      gauge.resolution,
      gauge.maxPermissibleError,
      temperature ?? '',
      humidity ?? '',
      staleBy.get(entry.id) ?? '',
    ];
  });
  return csvOf(readingColumns, rows);
}

/** How a file writes its columns and its decimals. */
export interface CsvDialect {
  delimiter: ',' | ';' | '\t';
  decimal: '.' | ',';
}

const numberColumns = /^(clock|at|value|gauge resolution|gauge max error|temperature|humidity)\b/;
const withComma = /^[-−]?\d+,\d+$/;

/**
 * Recognises how a file is written from its beginning: the separator that gives its first line the most columns, and a
 * comma for the decimal point where figures stand so.
 *
 * @example sniffCsv('a;b\r\n') // => {"delimiter":";","decimal":"."}
 */
export function sniffCsv(head: string): CsvDialect {
  const first = head.replace(/^\uFEFF/, '').split(/\r?\n/, 1)[0] ?? '';
  const count = (delimiter: string) => first.split(delimiter).length;
  const delimiter = ([',', ';', '\t'] as const).reduce((a, b) => (count(b) > count(a) ? b : a));
  let [header, ...rows]: string[][] = [];
  try {
    [header, ...rows] = rowsOf(head.slice(0, head.lastIndexOf('\n') + 1) || head, { delimiter });
  } catch {
    // What cannot be read says nothing of its decimals; whoever reads it next says what is wrong.
    return { delimiter, decimal: '.' };
  }
  const decimal = rows.some((row) =>
    row.some((cell, i) => numberColumns.test((header?.[i] ?? '').trim().toLowerCase()) && withComma.test(cell.trim())),
  );
  return { delimiter, decimal: decimal ? ',' : '.' };
}

/** What a file looks like before anything of it is taken. */
export interface CsvLook {
  dialect: CsvDialect;
  columns: { name: string; known: boolean }[];
  /** the first rows as they would be understood */
  rows: string[][];
  problems: Problem[];
}

const shownRows = 5;
const needed = [
  'group',
  'part',
  'measure',
  'clock (deg)',
  'gauge',
  'gauge resolution (mm)',
  'gauge max error (mm)',
] as const;
const valueHeader = /^value \((mm|in|thou)\)$/;
const columnName = (name: string) => name.trim().toLowerCase();
const isKnown = (name: string) =>
  valueHeader.test(columnName(name)) || readingColumns.some((column) => column.name === columnName(name));

/** Looks at the beginning of a file: how it is written, which columns are known, what its first rows say. */
export function lookAtCsv(head: string, dialect: CsvDialect = sniffCsv(head)): CsvLook {
  const whole = head.slice(0, head.lastIndexOf('\n') + 1) || head;
  let rows: string[][];
  try {
    rows = rowsOf(whole, dialect);
  } catch (error) {
    const message = `is not readable as CSV: ${(error as Error).message}`;
    return { dialect, columns: [], rows: [], problems: [{ path: '', message }] };
  }
  const [header = [], ...body] = rows;
  const reader = rowReader(header, dialect, { author: '', now: '1970-01-01T00:00:00.000Z', mintId: () => '' });
  return {
    dialect,
    columns: header.map((name) => ({ name, known: isKnown(name) })),
    rows: body.slice(0, shownRows),
    problems: reader.ok ? [] : reader.problems,
  };
}

export interface RowDefaults {
  author: string;
  /** that author signs every row, whatever the file says: somebody is signed in */
  signed?: boolean;
  now: string;
  /** makes an id for a row that has none of its own */
  mintId: () => string;
}

type RowReader =
  | { ok: false; problems: Problem[] }
  | { ok: true; read: (row: readonly string[], line: number) => NewEntryOf<'reading'> | Problem[] };

/** Understands a header, and then one row after the other; every fault is named by line and column. */
export function rowReader(header: readonly string[], { decimal }: CsvDialect, defaults: RowDefaults): RowReader {
  const place = new Map(header.map((name, i) => [columnName(name), i]));
  const problems: Problem[] = needed
    .filter((name) => !place.has(name))
    .map((name) => ({ path: 'line 1', message: `the column “${name}” is missing` }));
  const valueColumn = [...place.keys()].find((name) => valueHeader.test(name));
  if (valueColumn === undefined)
    problems.push({ path: 'line 1', message: 'the column “value (mm)”, “value (in)” or “value (thou)” is missing' });
  if (problems.length > 0 || valueColumn === undefined) return { ok: false, problems };
  const perUnit = mmPerUnit[(valueHeader.exec(valueColumn)?.[1] ?? 'mm') as LengthUnit];

  const read = (row: readonly string[], line: number): NewEntryOf<'reading'> | Problem[] => {
    const wrong: Problem[] = [];
    if (row.length !== header.length)
      return [{ path: `line ${line}`, message: `has ${row.length} columns, the header ${header.length}` }];
    const cell = (name: string) => unguard((row[place.get(name) ?? -1] ?? '').trim());
    const figure = (name: string) => {
      const written = cell(name);
      const number = readDecimal(written, decimal);
      if (number === null)
        wrong.push({ path: `line ${line}, column “${name}”`, message: `“${written.slice(0, 40)}” is not a figure` });
      return number ?? NaN;
    };
    const optional = (name: string) => (cell(name) === '' ? undefined : figure(name));
    const own = unitOfMeasure(cell('measure') as Measure);
    // A force or a leak has a unit of its own, whatever the header says of lengths.
    const value = figure(valueColumn) * (own === 'mm' ? perUnit : 1);
    const [at, temperature, humidity] = [optional('at (mm)'), optional('temperature (c)'), optional('humidity (%)')];
    const entry: NewEntryOf<'reading'> = {
      id: cell('entry') || defaults.mintId(),
      kind: 'reading',
      author: (defaults.signed ? '' : cell('author')) || defaults.author,
      benchTime: cell('bench time') || defaults.now,
      body: {
        point: {
          group: cell('group') as 'pad',
          part: cell('part'),
          measure: cell('measure') as 'gap',
          clock: figure('clock (deg)'),
          ...(at !== undefined && { at }),
          ...(cell('held') !== '' && { held: cell('held').split('+') }),
        },
        value,
        typed: cell('typed') || `${printFigure(value, 'mm')} ${own}`,
        gauge: {
          id: cell('gauge'),
          name: cell('gauge name') || cell('gauge'),
          resolution: figure('gauge resolution (mm)'),
          maxPermissibleError: figure('gauge max error (mm)'),
        },
        ...(temperature !== undefined && { temperature }),
        ...(humidity !== undefined && { humidity }),
      },
    };
    return wrong.length > 0 ? wrong : entry;
  };
  return { ok: true, read };
}

/** Where in a row a fault of its entry stands, for a person with the file open. */
export function columnOfPath(path: string): string {
  const names: readonly (readonly [RegExp, string])[] = [
    [/^\/body\/point\/group/, 'group'],
    [/^\/body\/point\/part/, 'part'],
    [/^\/body\/point\/measure/, 'measure'],
    [/^\/body\/point\/clock/, 'clock (deg)'],
    [/^\/body\/point\/at/, 'at (mm)'],
    [/^\/body\/point\/held/, 'held'],
    [/^\/body\/value/, 'value'],
    [/^\/body\/typed/, 'typed'],
    [/^\/body\/gauge\/resolution/, 'gauge resolution (mm)'],
    [/^\/body\/gauge\/maxPermissibleError/, 'gauge max error (mm)'],
    [/^\/body\/gauge/, 'gauge'],
    [/^\/body\/temperature/, 'temperature (C)'],
    [/^\/body\/humidity/, 'humidity (%)'],
    [/^\/id/, 'entry'],
    [/^\/author/, 'author'],
    [/^\/benchTime/, 'bench time'],
  ];
  const name = names.find(([pattern]) => pattern.test(path))?.[1];
  return name === undefined ? '' : `, column “${name}”`;
}
