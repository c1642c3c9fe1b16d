import { sqlState } from './database';

/**
 * What kind of fault an error is: the database is away, its disk is full, it refused what it was given, or something
 * nobody has foreseen.
 */
export type FaultKind = 'away' | 'full' | 'refused' | 'fault';

/** The system's words for a connection that could not be made or broke, and PostgreSQL's for one it ends itself. */
const awayCodes = new Set([
  'ECONNREFUSED',
  'ECONNRESET',
  'ECONNABORTED',
  'ENOTFOUND',
  'EAI_AGAIN',
  'ETIMEDOUT',
  'EHOSTUNREACH',
  'ENETUNREACH',
  'EPIPE',
  '57P01',
  '57P02',
  '57P03',
  '53300',
]);
/** What the driver and its pool say without a code. */
const awayWords =
  /connection terminated|timeout exceeded when trying to connect|connection error|client has encountered/i;
/** Data PostgreSQL cannot keep (class 22), or a constraint that is there for that (a check). */
const refusedCodes = /^(22...|23514)$/;

function* causes(error: unknown): Generator<Error> {
  const seen = new Set<unknown>();
  for (let e = error; e instanceof Error && !seen.has(e); e = e.cause) {
    seen.add(e);
    yield e;
  }
}

export function kindOfFault(error: unknown): FaultKind {
  const code = sqlState(error);
  if (code === '53100' || code === 'ENOSPC') return 'full';
  if (code !== null && (awayCodes.has(code) || code.startsWith('08'))) return 'away';
  if (code !== null && refusedCodes.test(code)) return 'refused';
  return code === null && [...causes(error)].some(({ message }) => awayWords.test(message)) ? 'away' : 'fault';
}

/**
 * A fault as one entry of the log: what and where, without what was written. The query builder's own words carry every
 * value of the statement, so only the innermost cause speaks.
 */
export function faultLine(error: unknown): string {
  const inner = [...causes(error)].at(-1);
  if (!inner) return `thrown: ${typeof error}`;
  const { code } = inner as { code?: unknown };
  const where = (inner.stack ?? '').split('\n').filter((line) => /^\s+at /.test(line));
  const name = typeof code === 'string' ? `${inner.name} ${code}` : inner.name;
  return [`${name}: ${inner.message.split('\n')[0]?.slice(0, 300)}`, ...where.slice(0, 12)].join('\n');
}
