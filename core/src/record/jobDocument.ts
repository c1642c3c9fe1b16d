import { emptyJobState, entryProblems, foldEntries, misfits, type Entry, type EntryKind } from '../logbook';
import type { Problem } from '../solvers/contract';
import { problemsWith } from '../validation';
import { jobDocumentVersion } from './jobDocument.schema';

/** A whole job in one document. Published as docs/schemas/job-document-1.json. */
export interface JobDocument {
  format: 'holotonos-job';
  version: typeof jobDocumentVersion;
  exportedAt: string;
  units: { length: 'mm' };
  ticket: string;
  entries: Entry[];
  /** pictures the entries speak of, JPEG in base64 */
  photos?: { id: string; jpeg: string }[];
}

/** The document of a job. `exportedAt` is ISO 8601. */
export const toJobDocument = (
  ticket: string,
  entries: readonly Entry[],
  exportedAt: string,
  photos: NonNullable<JobDocument['photos']> = [],
): JobDocument => ({
  format: 'holotonos-job',
  version: jobDocumentVersion,
  exportedAt,
  units: { length: 'mm' },
  ticket,
  entries: [...entries],
  ...(photos.length > 0 && { photos }),
});

/** Naming more than this does not help to mend a file. */
const mostProblems = 200;

const under = (path: string, problems: readonly Problem[]): Problem[] =>
  problems.map((problem) => ({ ...problem, path: `${path}${problem.path}` }));

/** Kinds of entry that later ones are checked against. */
const tells = new Set<EntryKind>([
  'intake',
  'sign-off',
  'strike',
  'instrument-change',
  'board',
  'part-off',
  'part-placed',
  'part-on',
  'soak',
  'photo',
]);

/** Kinds that are checked against anything that stands before them. */
const asks = new Set<EntryKind>(['strike', 'intake', 'timer', 'estimate', 'agreement']);

/** Problems that only show when the entries are read in order as one logbook. */
function storyProblems(entries: readonly Entry[], ticket: string): Problem[] {
  const problems: Problem[] = [];
  let state = emptyJobState;
  // Entries that change nothing a later one is checked against are folded together: one by one would be O(n²).
  let waiting: Entry[] = [];
  const catchUp = () => {
    state = foldEntries(state, waiting);
    waiting = [];
  };
  const ids = new Set<string>();
  entries.forEach((entry, i) => {
    const path = `/entries/${i}`;
    if (ids.has(entry.id)) problems.push({ path: `${path}/id`, message: `repeats the entry ${entry.id}` });
    ids.add(entry.id);
    if (entry.seq !== i + 1)
      problems.push({ path: `${path}/seq`, message: `must be ${i + 1}: entries count from 1 without gaps` });
    if (asks.has(entry.kind)) catchUp();
    problems.push(...under(path, misfits(state, entry)));
    waiting.push(entry);
    if (tells.has(entry.kind)) catchUp();
  });
  if (state.intake && state.intake.ticket !== ticket)
    problems.push({ path: '/ticket', message: `must be the ticket of the intake, ${state.intake.ticket}` });
  return problems;
}

/**
 * Reads a job document: every problem named by its place, or the document.
 *
 * Checks the frame, then each entry by the schema of its kind, then that the entries tell one story: in order, each
 * once, beginning with an intake, striking only what is there.
 */
export function readJobDocument(
  data: unknown,
): { ok: true; document: JobDocument } | { ok: false; problems: Problem[] } {
  const frame = problemsWith('job_document', data);
  if (frame.length > 0) return { ok: false, problems: frame };
  const document = data as JobDocument;
  const problems = document.entries.flatMap((entry, i) => under(`/entries/${i}`, entryProblems(entry, 'stored')));
  if (problems.length === 0) problems.push(...storyProblems(document.entries, document.ticket));
  return problems.length > 0 ? { ok: false, problems: problems.slice(0, mostProblems) } : { ok: true, document };
}
