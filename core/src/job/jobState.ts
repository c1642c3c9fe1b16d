import type { PostBush } from '../bushing';
import type { CorkPoint } from '../corkSet';
import type { PassState } from '../corrections';
import type { EstimateState } from '../estimate';
import type { FindingState } from '../findings';
import type { InstrumentType } from '../instruments';
import type { LogState } from '../logbook';
import type { MasterLook } from '../masterLook';
import type { Chosen } from '../materials';
import type { OwnerLink } from '../ownerPage';
import type { ShimsUnder } from '../padSet';
import type { OperationState } from '../plan';
import type { PointState, TickState } from '../readings';
import type { AdjustmentState, OwnRule } from '../regulation';
import type { RoundState } from '../rounds';
import type { PlayedNote, TestedLine } from '../sound';
import type { SpringAsSet } from '../springSet';
import type { Board, OffPart, SoakState } from '../stripdown';
import type { Observation } from '../survey';
import type { LengthUnit } from '../units';
import type { PracticeName, SurveyStation } from '../vocabulary';
import type { Entry, EntryOf, NewEntryOf } from './entry';
import type { PhotoState } from './photo.kind';

/** What is true of a job now. Made only by `foldEntries`; nothing else holds state. */
export interface JobState extends LogState<Entry> {
  intake: EntryOf<'intake'>['body'] | null;
  /** the instrument as it is known now: its type, the options it has, and what was changed at the bench */
  instrument: InstrumentType | null;
  openedAt: string | null;
  practice: PracticeName;
  unit: LengthUnit;
  points: ReadonlyMap<string, PointState>;
  /** newest look without a figure at each part, by `group:part`, with `+key` for every key that was held */
  ticks: ReadonlyMap<string, TickState>;
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
  /** turns of adjusters, in the order they were made */
  adjustments: readonly AdjustmentState[];
  /** what is wanted otherwise of the rules of regulation, by rule */
  ruleChanges: ReadonlyMap<string, OwnRule>;
  rounds: ReadonlyMap<string, RoundState>;
  /** changes of the plan made by hand, one for each operation, in the order they were first made */
  planChanges: ReadonlyMap<string, EntryOf<'plan-change'>>;
  /** what parts are given out of the drawers, by use and part, as `pad:g-sharp` */
  chosen: ReadonlyMap<string, Chosen>;
  /** what lies under dry pads, by hole */
  shims: ReadonlyMap<string, ShimsUnder>;
  /** places that want cork, felt or a bumper, by id, in the order they were first said */
  corks: ReadonlyMap<string, CorkPoint>;
  /** how springs are made and bent, by key and which of its springs */
  springs: ReadonlyMap<string, SpringAsSet>;
  /** bushes worked out for stripped posts, by post */
  bushes: ReadonlyMap<string, PostBush>;
  /** how notes came out when they were last played, by fingering */
  played: ReadonlyMap<string, PlayedNote>;
  /** how the lines of the play test came out when they were last gone through */
  tested: ReadonlyMap<string, TestedLine>;
  /** parts, materials and outside work, dropped ones among them */
  costs: ReadonlyMap<string, NewEntryOf<'cost'>['body']>;
  /** in the order they were given */
  estimates: ReadonlyMap<string, EstimateState>;
  /** links the owner was given to a page of their own */
  ownerLinks: ReadonlyMap<string, OwnerLink>;
  /** tickets on which this instrument was here before, as somebody knows it again */
  sameAs: readonly string[];
  /** looks a master was asked for, by the entry that asks */
  masterLooks: ReadonlyMap<string, MasterLook>;
  signOff: EntryOf<'sign-off'> | null;
  /** times the owner was reminded of the check-up */
  reminders: readonly EntryOf<'reminder'>[];
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
  ticks: new Map(),
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
  adjustments: [],
  ruleChanges: new Map(),
  rounds: new Map(),
  planChanges: new Map(),
  chosen: new Map(),
  shims: new Map(),
  corks: new Map(),
  springs: new Map(),
  bushes: new Map(),
  played: new Map(),
  tested: new Map(),
  costs: new Map(),
  estimates: new Map(),
  ownerLinks: new Map(),
  sameAs: [],
  masterLooks: new Map(),
  signOff: null,
  reminders: [],
  unread: new Map(),
};
