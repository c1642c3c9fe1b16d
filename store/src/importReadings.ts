import { entryProblems, misfits, type JobState, type NewEntry, type Problem } from '@holotonos/core';
import { parse } from 'csv-parse';
import { sql } from 'drizzle-orm';
import { Readable } from 'node:stream';
import type { Database } from './database';
import { appendRows, jobByTicket, jobState } from './logbook';
import { columnOfPath, rowReader, sniffCsv, type CsvDialect, type RowDefaults } from './readingsCsv';
import { jobs } from './schema';

/** Rows a single file may hold. */
export const mostCsvRows = 200_000;
const mostProblems = 200;
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
  signal?: AbortSignal;
  onProgress?: (progress: ImportProgress) => void;
}

class Stopped extends Error {}
const unlessStopped = (signal?: AbortSignal) => {
  if (signal?.aborted) throw new Stopped();
};

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

/** Reads and checks every row, against its form and against the job, without holding anybody up. */
async function checkRows(
  bytes: AsyncIterable<Uint8Array>,
  state: JobState,
  { dialect, signal, onProgress, ...defaults }: ImportOptions,
): Promise<{ entries: NewEntry[]; problems: Problem[] }> {
  const { head, all } = await withHead(bytes);
  const how = dialect ?? sniffCsv(head);
  const parser = Readable.from(all).pipe(
    parse({ bom: true, skip_empty_lines: true, relax_column_count: true, delimiter: how.delimiter, info: true }),
  );
  const entries: NewEntry[] = [];
  const problems: Problem[] = [];
  const ids = new Set<string>();
  let reader: ReturnType<typeof rowReader> | null = null;
  try {
    for await (const { record, info } of parser as AsyncIterable<{ record: string[]; info: { lines: number } }>) {
      unlessStopped(signal);
      if (!reader) {
        reader = rowReader(record, how, defaults);
        if (!reader.ok) return { entries, problems: reader.problems };
        continue;
      }
      if (!reader.ok) break;
      const line = info.lines;
      const read = reader.read(record, line);
      if (Array.isArray(read)) problems.push(...read);
      else {
        const found = entryProblems(read);
        const unfit = found.length > 0 ? found : misfits(state, read);
        problems.push(...unfit.map(({ path, message }) => ({ path: `line ${line}${columnOfPath(path)}`, message })));
        if (ids.has(read.id))
          problems.push({ path: `line ${line}, column “entry”`, message: 'stands in the file twice' });
        ids.add(read.id);
        entries.push(read);
      }
      if (entries.length > mostCsvRows)
        problems.push({ path: `line ${line}`, message: `more than ${mostCsvRows} rows: split the file` });
      if (problems.length >= mostProblems || entries.length > mostCsvRows) break;
      if (entries.length % sayEvery === 0) {
        onProgress?.({ doing: 'checking', rows: entries.length });
        // Lets a stop be heard between two pieces of a file that is all there already.
        await new Promise((resolve) => setImmediate(resolve));
      }
    }
  } catch (error) {
    if (error instanceof Stopped || signal?.aborted) throw new Stopped();
    problems.push({ path: '', message: `is not readable as CSV: ${(error as Error).message}` });
  }
  if (!reader) problems.push({ path: '', message: 'is empty' });
  return { entries, problems };
}

/**
 * Takes a file of readings of any size into a job: all rows, or none and every bad one named by line and column. The file
 * is read as it comes; the job is locked only while the checked rows are written, in one transaction. Rows known by their
 * entry id are passed over.
 */
export async function importReadings(
  db: Database,
  ticket: string,
  bytes: AsyncIterable<Uint8Array>,
  options: ImportOptions,
): Promise<Imported> {
  const job = await jobByTicket(db, ticket);
  if (!job) return { status: 'no-job' };
  const { signal, onProgress } = options;
  try {
    const { entries, problems } = await checkRows(bytes, await jobState(db, job.id), options);
    if (problems.length > 0) return { status: 'refused', problems: problems.slice(0, mostProblems) };
    unlessStopped(signal);
    return await db.transaction(async (tx): Promise<Imported> => {
      await tx.execute(sql`select 1 from ${jobs} where ${jobs.id} = ${job.id} for update`);
      const state = await jobState(tx, job.id);
      const fresh = entries.filter(({ id }) => !state.byId.has(id));
      const [first] = fresh;
      // The job may have been signed off while the file was read.
      const unfit = first ? misfits(state, first) : [];
      if (unfit.length > 0) return { status: 'refused', problems: unfit };
      await appendRows(tx, job.id, state.seq, fresh, (rows) => {
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
