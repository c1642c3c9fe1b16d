import type { NameOf } from '../logbook';

export interface OperationState {
  operation: string;
  title: string;
  status: 'started' | 'done' | 'skipped';
  entry: string;
  seq: number;
  startedAt: string | null;
  endedAt: string | null;
  minutes: number;
  reason: string;
  override: string;
  cautionsAccepted: string[];
  /** since when its clock runs, ISO; null while it stands */
  runningSince: string | null;
  /** minutes worked before the clock last started */
  workedMinutes: number;
  /** who started or ended it last */
  author: string;
}

/** An operation as an entry finds it, which is now the last word on it. */
export const touched = (
  operations: ReadonlyMap<string, OperationState>,
  operation: string,
  { id, seq, author }: { id: string; seq: number; author: string },
): OperationState => ({
  operation,
  title: operation,
  startedAt: null,
  endedAt: null,
  minutes: 0,
  reason: '',
  override: '',
  cautionsAccepted: [],
  runningSince: null,
  workedMinutes: 0,
  ...operations.get(operation),
  status: 'started',
  entry: id,
  seq,
  author,
});

/** An operation that an entry has brought to its end, one way or the other. */
export const ended = (
  operations: ReadonlyMap<string, OperationState>,
  operation: string,
  entry: { id: string; seq: number; author: string; benchTime: string },
): OperationState => ({
  ...touched(operations, operation, entry),
  endedAt: entry.benchTime,
  runningSince: null,
});

/** Minutes on the clock of a step at a moment. */
export const workedAt = (
  { workedMinutes, runningSince }: Pick<OperationState, 'workedMinutes' | 'runningSince'>,
  now: string,
): number =>
  workedMinutes + (runningSince === null ? 0 : Math.max(0, Date.parse(now) - Date.parse(runningSince)) / 60_000);

/** A step by its id: what is done, and where. */
export function operationWords(operation: string, name: NameOf): string {
  const [kind = '', part = ''] = operation.split(':');
  return `${kind.replaceAll('-', ' ')}, ${name(part)}`;
}
