import type { FindingKind, FindingStatus, MeasureGroup, PracticeName } from '../vocabulary';
import type { LengthUnit } from '../units';
import type { Entry, EntryOf, NewEntryOf } from './entry';

/** A place where a figure is taken. */
export type MeasuringPoint = NewEntryOf<'reading'>['body']['point'];

/** Why a reading no longer tells the truth: the done operation that disturbed what it measured. */
export interface Staleness {
  entry: string;
  operation: string;
  title: string;
}

export interface ReadingState {
  entry: string;
  seq: number;
  /** mm */
  value: number;
  typed: string;
  gauge: NewEntryOf<'reading'>['body']['gauge'];
  author: string;
  benchTime: string;
  stale: Staleness | null;
}

export interface PointState {
  point: MeasuringPoint;
  readings: ReadingState[];
}

export interface FindingState {
  finding: string;
  kind: FindingKind;
  part: string;
  severity: 1 | 2 | 3;
  status: FindingStatus;
  note: string;
  reason: string;
  suggestion: string | null;
  evidence: string[];
  /** entries that made it what it is, oldest first */
  history: string[];
}

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
}

/** What is true of a job now. Made only by `foldEntries`; nothing else holds state. */
export interface JobState {
  /** highest sequence number folded in */
  seq: number;
  /** every entry, struck or not, in order */
  entries: readonly Entry[];
  byId: ReadonlyMap<string, Entry>;
  /** struck entry → the strike that did it */
  struck: ReadonlyMap<string, string>;
  intake: EntryOf<'intake'>['body'] | null;
  openedAt: string | null;
  practice: PracticeName;
  unit: LengthUnit;
  points: ReadonlyMap<string, PointState>;
  findings: ReadonlyMap<string, FindingState>;
  operations: ReadonlyMap<string, OperationState>;
  decisions: readonly EntryOf<'decision' | 'practice-change'>[];
  notes: readonly EntryOf<'note'>[];
  times: readonly EntryOf<'time'>[];
  signOff: EntryOf<'sign-off'> | null;
}

export const emptyJobState: JobState = {
  seq: 0,
  entries: [],
  byId: new Map(),
  struck: new Map(),
  intake: null,
  openedAt: null,
  practice: 'steady',
  unit: 'mm',
  points: new Map(),
  findings: new Map(),
  operations: new Map(),
  decisions: [],
  notes: [],
  times: [],
  signOff: null,
};

/**
 * The key of a measuring point.
 *
 * @example pointKey({ group: 'pad', part: 'low-e', measure: 'gap', clock: 45 }) // => "pad:low-e:gap@45"
 */
export const pointKey = ({ group, part, measure, clock }: MeasuringPoint): string =>
  `${group}:${part}:${measure}@${clock}`;

/**
 * Does a pattern `group:part` or `group:*` speak of this group and part?
 *
 * @example matchesMeasure('rim:*', 'rim', 'low-e') // => true
 */
export const matchesMeasure = (pattern: string, group: MeasureGroup | string, part: string): boolean =>
  pattern === `${group}:${part}` || pattern === `${group}:*`;
