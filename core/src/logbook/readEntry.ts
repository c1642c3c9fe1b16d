import type { Problem } from '../solvers/contract';
import { entryProblems } from './checkEntry';
import type { Entry } from './entry';

/** An entry as the database gives it back: whatever once got into it. */
export interface RawEntry {
  id: string;
  seq: number;
  kind: string;
  body: unknown;
  author: string;
  benchTime: string;
  receivedAt: string;
}

/** A moment that nobody can have meant, for entries whose own time cannot be read. */
const noMoment = '1970-01-01T00:00:00.000Z';
const [earliest, latest] = [Date.UTC(1900, 0, 1) - 864e5, Date.UTC(2101, 0, 2)];

/** A time in its one form, UTC to the millisecond; null when it is none, or none of this age. */
export function readMoment(text: unknown): string | null {
  const time = typeof text === 'string' ? Date.parse(text) : NaN;
  return time >= earliest && time < latest ? new Date(time).toISOString() : null;
}

const inText = (data: unknown, most: number): string => {
  const text = typeof data === 'string' ? data : (JSON.stringify(data) ?? '');
  return text.replace(/\0|\p{Surrogate}/gu, '\uFFFD').slice(0, most);
};

/** What stands for a row that cannot be read: what is wrong, and what it was. */
export function unreadable({ id, kind, body, author, benchTime, receivedAt }: RawEntry, problems: readonly Problem[]) {
  const arrived = readMoment(receivedAt) ?? noMoment;
  return {
    id,
    kind: 'unreadable' as const,
    author: inText(author, 80).trim() || 'unknown',
    benchTime: readMoment(benchTime) ?? arrived,
    body: {
      kind: inText(kind, 60),
      problem: problems
        .slice(0, 3)
        .map(({ path, message }) => `${path} ${message}`.trim())
        .join('; ')
        .slice(0, 400),
      was: inText(body, 20000),
    },
  };
}

/**
 * An entry of the logbook from its row. Total: what does not read as the entry it says it is comes back as one of kind
 * `unreadable`, with what is wrong and what it was, so that one rotten row never takes down more than itself.
 */
export function readEntry(row: RawEntry): Entry {
  const { id, seq, kind, body, author } = row;
  const receivedAt = readMoment(row.receivedAt) ?? noMoment;
  const plain = { id, seq, kind, body, author, benchTime: readMoment(row.benchTime) ?? '', receivedAt };
  const problems = entryProblems(plain, 'stored');
  if (problems.length === 0) return plain as unknown as Entry;
  return { ...unreadable(row, problems), seq, receivedAt };
}
