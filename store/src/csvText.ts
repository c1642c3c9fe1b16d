import { parse } from 'csv-parse/sync';
import { stringify } from 'csv-stringify/sync';

/** A column of a file as it goes out: its header, what kind of value it holds, and what that is. */
export interface Column {
  readonly name: string;
  readonly type: 'string' | 'number' | 'datetime';
  readonly says: string;
}

/** What a table program would take for a formula, and the mark itself that says it is none. */
const formula = /^['=+\-@\t\r]/;
/** A text as it goes out: never a formula to a program that opens the file. `unguard` undoes it. */
const guard = (text: string) => (formula.test(text) ? `'${text}` : text);
export const unguard = (text: string): string =>
  text.startsWith("'") && formula.test(text.slice(1)) ? text.slice(1) : text;

/** Rows as CSV (RFC 4180) under the names of their columns. */
export function csvOf(columns: readonly Column[], rows: readonly (readonly (string | number)[])[]): string {
  const guarded = rows.map((row) => row.map((cell, i) => (columns[i]?.type === 'string' ? guard(String(cell)) : cell)));
  return stringify([columns.map(({ name }) => name), ...guarded], { record_delimiter: 'windows' });
}

/** Rows of a piece of CSV, the header first; what is cut off at its end does not count. */
export const rowsOf = (text: string, { delimiter }: { delimiter: string }): string[][] =>
  parse(text, {
    bom: true,
    skip_empty_lines: true,
    relax_column_count: true,
    relax_quotes: true,
    delimiter,
  }) as string[][];

/** A decimal figure, with a power of ten where it is tiny. Nothing else that JavaScript would read as a number. */
const decimalFigure = /^[-+]?(\d+(\.\d*)?|\.\d+)(e[-+]?\d{1,2})?$/i;

/** A figure as a file writes it; null where it is none. */
export function readDecimal(written: string, decimal: '.' | ','): number | null {
  const plain = (decimal === ',' ? written.replace(',', '.') : written).replace('−', '-');
  return decimalFigure.test(plain) ? Number(plain) : null;
}
