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
