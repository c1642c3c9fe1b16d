import type { InstrumentType, PartPlace } from '../instruments';
import type { LengthUnit } from '../units';
import type { FindingKind, FindingStatus, MeasureGroup, PartWhere, PracticeName, SurveyStation } from '../vocabulary';
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
  /** of the room, where it was written down: °C and % */
  temperature: number | null;
  humidity: number | null;
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
  /** the spot on the tube, where one was given */
  place: PartPlace | null;
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
  /** since when its clock runs, ISO; null while it stands */
  runningSince: string | null;
  /** minutes worked before the clock last started */
  workedMinutes: number;
  /** who started or ended it last */
  author: string;
}

/** An estimate given to the owner, and what was said to it. */
export interface EstimateState {
  estimate: EntryOf<'estimate'>;
  answer: EntryOf<'agreement'> | null;
}

/** A part that has been taken off and is not back yet. */
export interface OffPart {
  part: string;
  where: PartWhere;
  /** its place on the screw board, such as B4 */
  cell: string | null;
  note: string;
  /** the entry that took it off, and its place in the order of the strip-down */
  entry: string;
  seq: number;
}

/** Something left to soak. */
export interface SoakState {
  soak: string;
  part: string;
  with: string;
  note: string;
  /** when somebody should look again, ISO; each new soak of the same part sets it anew */
  until: string;
  outcome: 'free' | 'stuck' | null;
}

export interface PhotoState {
  photo: string;
  width: number;
  height: number;
  caption: string;
  part: string | null;
  place: PartPlace | null;
  finding: string | null;
  marks: NewEntryOf<'photo-marks'>['body']['marks'];
  author: string;
  benchTime: string;
}

/** One correction of a loop. */
export type PassState = Omit<NewEntryOf<'pass'>['body'], 'disturbs'> & {
  entry: string;
  seq: number;
  benchTime: string;
};

/** A chosen set of points that is being walked, on whatever device. */
export interface RoundState {
  round: string;
  name: string;
  points: readonly MeasuringPoint[];
  /** readings after this entry belong to the round */
  seq: number;
  benchTime: string;
  /** keys of points that were passed over */
  skipped: ReadonlySet<string>;
  over: boolean;
}

/** What the technician saw of a pad, newest of each. */
export type Observation = NewEntryOf<'observation'>['body'] & { entry: string; seq: number };

/** The screw board: a grid as large as the technician's own. */
export interface Board {
  rows: number;
  columns: number;
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
  /** the instrument as it is known now: its type, the options it has, and what was changed at the bench */
  instrument: InstrumentType | null;
  openedAt: string | null;
  practice: PracticeName;
  unit: LengthUnit;
  points: ReadonlyMap<string, PointState>;
  findings: ReadonlyMap<string, FindingState>;
  operations: ReadonlyMap<string, OperationState>;
  decisions: readonly EntryOf<'decision' | 'practice-change' | 'tolerances'>[];
  notes: readonly EntryOf<'note'>[];
  times: readonly EntryOf<'time'>[];
  /** stations of the survey that have been gone through or passed over */
  survey: ReadonlyMap<SurveyStation, { outcome: 'looked' | 'skipped'; entry: string; benchTime: string }>;
  /** by what it is about and the part, as `light:g-sharp` */
  observations: ReadonlyMap<string, Observation>;
  board: Board;
  /** parts off the instrument, in the order they came off */
  off: ReadonlyMap<string, OffPart>;
  soaks: ReadonlyMap<string, SoakState>;
  photos: ReadonlyMap<string, PhotoState>;
  /** limits this job goes by in place of those of its practice */
  tolerances: EntryOf<'tolerances'> | null;
  passes: readonly PassState[];
  rounds: ReadonlyMap<string, RoundState>;
  /** changes of the plan made by hand, one for each operation, in the order they were first made */
  planChanges: ReadonlyMap<string, EntryOf<'plan-change'>>;
  /** parts, materials and outside work, dropped ones among them */
  costs: ReadonlyMap<string, NewEntryOf<'cost'>['body']>;
  /** in the order they were given */
  estimates: ReadonlyMap<string, EstimateState>;
  signOff: EntryOf<'sign-off'> | null;
  /** entries that say nothing any more, with what is wrong with each; they can be struck */
  unread: ReadonlyMap<string, string>;
}

export const emptyJobState: JobState = {
  seq: 0,
  entries: [],
  byId: new Map(),
  struck: new Map(),
  intake: null,
  instrument: null,
  openedAt: null,
  practice: 'steady',
  unit: 'mm',
  points: new Map(),
  findings: new Map(),
  operations: new Map(),
  decisions: [],
  notes: [],
  times: [],
  survey: new Map(),
  observations: new Map(),
  board: { rows: 8, columns: 12 },
  off: new Map(),
  soaks: new Map(),
  photos: new Map(),
  tolerances: null,
  passes: [],
  rounds: new Map(),
  planChanges: new Map(),
  costs: new Map(),
  estimates: new Map(),
  signOff: null,
  unread: new Map(),
};

/**
 * The key of a measuring point.
 *
 * @example pointKey({ group: 'pad', part: 'low-e', measure: 'gap', clock: 45 }) // => "pad:low-e:gap@45"
 */
export const pointKey = ({ group, part, measure, clock, at }: MeasuringPoint): string =>
  `${group}:${part}:${measure}@${clock}${at === undefined ? '' : `/${at}`}`;

const byPart = new WeakMap<JobState['points'], ReadonlyMap<string, readonly PointState[]>>();

/** Every point of one part in one group that was ever read. Sorted out once for each state: every report asks. */
export function pointsOf({ points }: JobState, group: MeasureGroup | string, part: string): readonly PointState[] {
  let sorted = byPart.get(points);
  if (!sorted) {
    const lists = new Map<string, PointState[]>();
    for (const state of points.values()) {
      const key = `${state.point.group}:${state.point.part}`;
      const list = lists.get(key);
      if (list) list.push(state);
      else lists.set(key, [state]);
    }
    sorted = lists;
    byPart.set(points, sorted);
  }
  return sorted.get(`${group}:${part}`) ?? [];
}

/**
 * Does a pattern `group:part` or `group:*` speak of this group and part?
 *
 * @example matchesMeasure('rim:*', 'rim', 'low-e') // => true
 */
export const matchesMeasure = (pattern: string, group: MeasureGroup | string, part: string): boolean =>
  pattern === `${group}:${part}` || pattern === `${group}:*`;
