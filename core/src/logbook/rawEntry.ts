import type { Problem } from '../solvers/contract';

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
export const noMoment = '1970-01-01T00:00:00.000Z';
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
export function standInFor({ id, kind, body, author, benchTime, receivedAt }: RawEntry, problems: readonly Problem[]) {
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
