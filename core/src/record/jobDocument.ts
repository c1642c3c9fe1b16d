import { logbookReader, misfits, type Entry } from '../job';
import type { Problem } from '../solvers/contract';
import { job_document } from '../generated/documents.js';
import { problemsWith } from '../validation';
import { jobDocumentVersion } from './jobDocument.schema';
import { entryProblems } from '../jobForms';

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

/** Entries that may be folded again while a document is checked: some hundred strikes in a job of thousands. */
const mostRefolded = 1_000_000;

/** Problems that only show when the entries are read in order as one logbook. */
function storyProblems(entries: readonly Entry[], ticket: string): Problem[] {
  const problems: Problem[] = [];
  const reader = logbookReader();
  const ids = new Set<string>();
  for (const [i, entry] of entries.entries()) {
    const path = `/entries/${i}`;
    if (ids.has(entry.id)) problems.push({ path: `${path}/id`, message: `repeats the entry ${entry.id}` });
    ids.add(entry.id);
    if (entry.seq !== i + 1)
      problems.push({ path: `${path}/seq`, message: `must be ${i + 1}: entries count from 1 without gaps` });
    problems.push(...under(path, misfits(reader.state(), entry)));
    reader.add(entry);
    if (problems.length >= mostProblems) return problems;
    if (reader.refolded() > mostRefolded)
      return [...problems, { path, message: 'strikes so much that came before that the story cannot be checked' }];
  }
  const { intake } = reader.state();
  if (intake && intake.ticket !== ticket)
    problems.push({ path: '/ticket', message: `must be the ticket of the intake, ${intake.ticket}` });
  return problems;
}

/** Pictures that come a second time. */
function pictureProblems(photos: readonly { id: string }[]): Problem[] {
  const seen = new Set<string>();
  return photos.flatMap(({ id }, i) => {
    const repeated = seen.has(id);
    seen.add(id);
    return repeated ? [{ path: `/photos/${i}/id`, message: `repeats the picture ${id}` }] : [];
  });
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
  const frame = problemsWith(job_document, data);
  if (frame.length > 0) return { ok: false, problems: frame };
  const document = data as JobDocument;
  const problems = document.entries.flatMap((entry, i) => under(`/entries/${i}`, entryProblems(entry, 'stored')));
  if (problems.length === 0)
    problems.push(...storyProblems(document.entries, document.ticket), ...pictureProblems(document.photos ?? []));
  return problems.length > 0 ? { ok: false, problems: problems.slice(0, mostProblems) } : { ok: true, document };
}
