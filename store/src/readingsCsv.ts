import {
  mmPerUnit,
  printFigure,
  unitOfMeasure,
  type JobState,
  type LengthUnit,
  type Measure,
  type NewEntry,
  type Problem,
} from '@holotonos/core';
import { parse } from 'csv-parse/sync';
import { stringify } from 'csv-stringify/sync';

const columns = [
  'entry',
  'bench time',
  'author',
  'group',
  'part',
  'measure',
  'clock (deg)',
  'at (mm)',
  'value (mm)',
  'typed',
  'gauge',
  'gauge name',
  'gauge resolution (mm)',
  'gauge max error (mm)',
  'stale because of',
] as const;

/**
 * The readings of a job as CSV (RFC 4180), one a row, in the order they were taken; units stand in the header. Struck
 * readings are left out.
 */
export function readingsToCsv(state: JobState): string {
  const staleBy = new Map<string, string>();
  for (const { readings } of state.points.values()) {
    for (const { entry, stale } of readings) if (stale) staleBy.set(entry, stale.title);
  }
  const rows = state.entries.flatMap((entry) => {
    if (entry.kind !== 'reading' || state.struck.has(entry.id)) return [];
    const { point, value, typed, gauge } = entry.body;
    const { group, part, measure, clock, at } = point;
    return [
      [
        entry.id,
        entry.benchTime,
        entry.author,
        group,
        part,
        measure,
        clock,
        at ?? '',
        value,
        typed,
        gauge.id,
        gauge.name,
        gauge.resolution,
        gauge.maxPermissibleError,
        staleBy.get(entry.id) ?? '',
      ],
    ];
  });
  return stringify([[...columns], ...rows], { record_delimiter: 'windows', escape_formulas: false });
}

export type ReadCsv = { ok: true; entries: NewEntry[] } | { ok: false; problems: Problem[] };

/** Rows a single file may hold. */
const mostRows = 50_000;
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

/**
 * Reads such a file into new reading entries for a job. Column order is free; `value` may be in mm, in or thou, as its
 * header says. Every bad row is named by line and column; when there is one, nothing is taken.
 *
 * @param mintId makes an id for a row that has none of its own
 */
export function readingsFromCsv(text: string, author: string, now: string, mintId: () => string): ReadCsv {
  let rows: string[][];
  try {
    rows = parse(text, { bom: true, skip_empty_lines: true, relax_column_count: true }) as string[][];
  } catch (error) {
    return { ok: false, problems: [{ path: '', message: `is not readable as CSV: ${(error as Error).message}` }] };
  }
  const [header = [], ...body] = rows;
  const place = new Map(header.map((name, i) => [name.trim().toLowerCase(), i]));
  const problems: Problem[] = needed
    .filter((name) => !place.has(name))
    .map((name) => ({ path: 'line 1', message: `the column “${name}” is missing` }));
  const valueColumn = [...place.keys()].find((name) => valueHeader.test(name));
  if (valueColumn === undefined)
    problems.push({ path: 'line 1', message: 'the column “value (mm)”, “value (in)” or “value (thou)” is missing' });
  if (body.length > mostRows)
    problems.push({ path: '', message: `holds ${body.length} rows; at most ${mostRows} are taken at once` });
  if (problems.length > 0 || valueColumn === undefined) return { ok: false, problems };
  const perUnit = mmPerUnit[(valueHeader.exec(valueColumn)?.[1] ?? 'mm') as LengthUnit];

  const entries: NewEntry[] = [];
  body.forEach((row, i) => {
    const line = i + 2;
    const cell = (name: string) => (row[place.get(name) ?? -1] ?? '').trim();
    if (row.length !== header.length) {
      problems.push({ path: `line ${line}`, message: `has ${row.length} columns, the header ${header.length}` });
      return;
    }
    const figure = (name: string) => {
      const written = cell(name);
      const number = Number(written);
      if (written === '' || !Number.isFinite(number))
        problems.push({ path: `line ${line}, column “${name}”`, message: `“${written}” is not a figure` });
      return number;
    };
    const own = unitOfMeasure(cell('measure') as Measure);
    // A force or a leak has a unit of its own, whatever the header says of lengths.
    const value = figure(valueColumn) * (own === 'mm' ? perUnit : 1);
    const typed = cell('typed') || `${printFigure(value, 'mm')} ${own}`;
    entries.push({
      id: cell('entry') || mintId(),
      kind: 'reading',
      author: cell('author') || author,
      benchTime: cell('bench time') || now,
      body: {
        point: {
          group: cell('group') as 'pad',
          part: cell('part'),
          measure: cell('measure') as 'gap',
          clock: figure('clock (deg)'),
          ...(cell('at (mm)') !== '' && { at: figure('at (mm)') }),
        },
        value,
        typed,
        gauge: {
          id: cell('gauge'),
          name: cell('gauge name') || cell('gauge'),
          resolution: figure('gauge resolution (mm)'),
          maxPermissibleError: figure('gauge max error (mm)'),
        },
      },
    });
  });
  return problems.length > 0 ? { ok: false, problems: problems.slice(0, 200) } : { ok: true, entries };
}
