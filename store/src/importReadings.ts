import { entryProblems, misfits, type NewEntry, type NewEntryOf, type Problem } from '@holotonos/core';
import { parse } from 'csv-parse';
import { Readable } from 'node:stream';
import type { Database } from './database';
import { appendRows, jobByTicket, jobState, lockJob } from './logbook';
import { filesInPackage } from './bookPackage';
import { columnOfPath, rowReader, sniffCsv, type CsvDialect, type RowDefaults } from './readingsCsv';

/** Rows a file, or a book of several, may hold. */
const mostCsvRows = 200_000;
const mostProblems = 200;
/** What one row may weigh: what is longer is no table, and its end would be looked for in all that comes. */
const mostRecordBytes = 64 * 1024;
/** How often a long import says how far it is, rows. */
const sayEvery = 500;
/** What is looked at to learn how a file is written. */
const headBytes = 64 * 1024;

export interface ImportProgress {
  doing: 'checking' | 'writing';
  rows: number;
}
export type Imported =
  | { status: 'stored'; added: number; known: number }
  | { status: 'refused'; problems: Problem[] }
  | { status: 'no-job' }
  /** asked to stop before the end: nothing was written */
  | { status: 'stopped' };

export interface ImportOptions extends RowDefaults {
  dialect?: CsvDialect;
  /** rows all files together may hold */
  mostRows?: number;
  signal?: AbortSignal;
  onProgress?: (progress: ImportProgress) => void;
}

class Stopped extends Error {}
const unlessStopped = (signal?: AbortSignal) => {
  if (signal?.aborted) throw new Stopped();
};

export type ReadCsv = { ok: true; entries: NewEntryOf<'reading'>[] } | { ok: false; problems: Problem[] };

/** The beginning of a stream of bytes as text, and the whole of it still to be read. */
async function withHead(bytes: AsyncIterable<Uint8Array>): Promise<{ head: string; all: AsyncIterable<Uint8Array> }> {
  const source = bytes[Symbol.asyncIterator]();
  const first: Uint8Array[] = [];
  let length = 0;
  while (length < headBytes) {
    const piece = await source.next();
    if (piece.done) break;
    first.push(piece.value);
    length += piece.value.byteLength;
  }
  const head = new TextDecoder().decode(Buffer.concat(first));
  async function* all() {
    yield* first;
    for (let piece = await source.next(); !piece.done; piece = await source.next()) yield piece.value;
  }
  return { head, all: all() };
}

class LongRow extends Error {}
const newline = 10;

/** Passes pieces on as long as no line in them is longer than a row may be, however many columns it has. */
async function* withShortLines(pieces: AsyncIterable<Uint8Array>): AsyncGenerator<Uint8Array> {
  let length = 0;
  for await (const piece of pieces) {
    let begins = 0;
    for (let ends = piece.indexOf(newline); ends >= 0; ends = piece.indexOf(newline, begins)) {
      if (length + ends - begins > mostRecordBytes) throw new LongRow();
      length = 0;
      begins = ends + 1;
    }
    length += piece.byteLength - begins;
    if (length > mostRecordBytes) throw new LongRow();
    yield piece;
  }
}

/** One file of readings; its name stands before its lines where there are several. */
export interface ReadingsFile {
  name: string;
  bytes: AsyncIterable<Uint8Array>;
}

/** What has been read so far, over all files: one bound for them together. */
class Reading {
  readonly entries: NewEntryOf<'reading'>[] = [];
  readonly problems: Problem[] = [];
  private readonly ids = new Set<string>();
  private rows = 0;

  constructor(
    private readonly fits: (entry: NewEntry) => Problem[],
    private readonly options: ImportOptions,
  ) {}

  private get most(): number {
    return this.options.mostRows ?? mostCsvRows;
  }

  get full(): boolean {
    return this.problems.length >= mostProblems || this.rows > this.most;
  }

  /** A row as it was understood, or what is wrong with it. */
  take(read: NewEntryOf<'reading'> | Problem[], name: string, line: number): void {
    const complain = (path: string, message: string) => this.problems.push(inFile(name, { path, message }));
    this.rows += 1;
    if (this.rows > this.most) complain(`line ${line}`, `more than ${this.most} rows: split the file`);
    if (Array.isArray(read)) return read.forEach(({ path, message }) => complain(path, message));
    const found = entryProblems(read);
    for (const { path, message } of found.length > 0 ? found : this.fits(read))
      complain(`line ${line}${columnOfPath(path)}`, message);
    if (this.ids.has(read.id)) complain(`line ${line}, column “entry”`, 'stands in the file twice');
    this.ids.add(read.id);
    this.entries.push(read);
  }

  /** Says how far it is, and lets a stop and everybody else be heard between two pieces of a file that is all there. */
  async breathe(): Promise<void> {
    unlessStopped(this.options.signal);
    if (this.rows % sayEvery !== 0) return;
    this.options.onProgress?.({ doing: 'checking', rows: this.rows });
    await new Promise((resolve) => setImmediate(resolve));
  }
}

async function readFile({ name, bytes }: ReadingsFile, options: ImportOptions, reading: Reading): Promise<void> {
  const { head, all } = await withHead(bytes);
  const how = options.dialect ?? sniffCsv(head);
  const lines = Readable.from(withShortLines(all));
  const parser = lines.pipe(
    parse({
      bom: true,
      skip_empty_lines: true,
      relax_column_count: true,
      delimiter: how.delimiter,
      info: true,
      max_record_size: mostRecordBytes,
    }),
  );
  // A pipe passes on what comes, not what goes wrong.
  lines.on('error', (error) => parser.destroy(error));
  let reader: ReturnType<typeof rowReader> | null = null;
  for await (const { record, info } of parser as AsyncIterable<{ record: string[]; info: { lines: number } }>) {
    if (!reader) {
      reader = rowReader(record, how, options);
      if (!reader.ok) reading.problems.push(...reader.problems.map((each) => inFile(name, each)));
    } else if (reader.ok) reading.take(reader.read(record, info.lines), name, info.lines);
    if (!reader.ok || reading.full) return;
    await reading.breathe();
  }
  if (!reader) reading.problems.push({ path: name, message: 'is empty' });
}

const inFile = (name: string, { path, message }: Problem): Problem => ({
  path: [name, path].filter(Boolean).join(', '),
  message,
});

/** What the reader of CSV says, in words. */
function csvWords(error: unknown): string {
  const { code, message } = error as { code?: string; message: string };
  return error instanceof LongRow || code === 'CSV_MAX_RECORD_SIZE'
    ? `is not a table: one row is longer than ${mostRecordBytes / 1024} KB`
    : `is not readable as CSV: ${message}`;
}

/**
 * Reads files of readings row by row, without holding anybody up. Column order is free; `value` may be in mm, in or thou,
 * as the header says. Every bad row is named by file, line and column; the bounds hold for all files together.
 *
 * @param fits what does not fit the job a row is for
 */
export async function readReadings(
  files: readonly ReadingsFile[],
  options: ImportOptions,
  fits: (entry: NewEntry) => Problem[] = () => [],
): Promise<ReadCsv> {
  const reading = new Reading(fits, options);
  for (const file of files) {
    if (reading.full) break;
    try {
      await readFile(file, options, reading);
    } catch (error) {
      if (error instanceof Stopped || options.signal?.aborted) throw new Stopped();
      reading.problems.push({ path: file.name, message: csvWords(error) });
    }
  }
  const { entries, problems } = reading;
  return problems.length > 0 ? { ok: false, problems: problems.slice(0, mostProblems) } : { ok: true, entries };
}

async function take(
  db: Database,
  ticket: string,
  files: readonly ReadingsFile[],
  options: ImportOptions,
): Promise<Imported> {
  const job = await jobByTicket(db, ticket);
  if (!job) return { status: 'no-job' };
  const { signal, onProgress } = options;
  try {
    const state = await jobState(db, job.id);
    const read = await readReadings(files, options, (entry) => misfits(state, entry));
    if (!read.ok) return { status: 'refused', problems: read.problems };
    // A book lists by group; in the logbook stands what was read first. A single file keeps its order.
    const entries =
      files.length > 1 ? read.entries.sort((a, b) => Date.parse(a.benchTime) - Date.parse(b.benchTime)) : read.entries;
    unlessStopped(signal);
    return await db.transaction(async (tx): Promise<Imported> => {
      const state = await lockJob(tx, job.id);
      const fresh = entries.filter(({ id }) => !state.byId.has(id));
      const [first] = fresh;
      // The job may have been signed off while the file was read.
      const unfit = first ? misfits(state, first) : [];
      if (unfit.length > 0) return { status: 'refused', problems: unfit };
      await appendRows(tx, job, state, fresh, (rows) => {
        unlessStopped(signal);
        onProgress?.({ doing: 'writing', rows });
      });
      return { status: 'stored', added: fresh.length, known: entries.length - fresh.length };
    });
  } catch (error) {
    if (error instanceof Stopped) return { status: 'stopped' };
    throw error;
  }
}

/**
 * Takes a file of readings of any size into a job: all rows, or none and every bad one named by line and column. The file
 * is read as it comes; the job is locked only while the checked rows are written, in one transaction. Rows known by their
 * entry id are passed over.
 */
export const importReadings = (
  db: Database,
  ticket: string,
  bytes: AsyncIterable<Uint8Array>,
  options: ImportOptions,
): Promise<Imported> => take(db, ticket, [{ name: '', bytes }], options);

/** Takes a whole measuring book, a data package, into a job, as `importReadings` does a single file. */
export async function importBook(
  db: Database,
  ticket: string,
  bytes: Uint8Array,
  options: ImportOptions,
): Promise<Imported> {
  const book = filesInPackage(bytes);
  return book.ok ? take(db, ticket, book.files, options) : { status: 'refused', problems: book.problems };
}
