import type { OperationState } from './operationState';
import type { Tolerance } from '../practice';
import type { KeptUnit } from '../units';
import type { MaterialUse, MeasureGroup, PassKind, ToleranceName } from '../vocabulary';
import type { LearnedFactor } from './learnTimes';
import type { PlannedOperation } from './plan.schema';
import type { Spoilt } from './spoilt';

/** One fresh measure a step asks for, and whether it is there. */
export interface GateCheck {
  group: MeasureGroup;
  part: string;
  open: boolean;
  /** what is missing, in words */
  why: string;
}

export type StepStatus = 'done' | 'skipped' | 'started' | 'curing' | 'ready' | 'waiting';

/** A limit that says when a step is good. */
export interface ReachedAt {
  name: ToleranceName;
  words: string;
  unit: KeptUnit;
  /** null where neither the practice nor the shop sets one for this kind of instrument */
  limit: Tolerance | null;
}

/** What the owner has said about a step: nothing asked yet is null. */
export type StepAgreement = 'agreed' | 'to-agree' | 'refused' | null;

export interface Step extends PlannedOperation {
  status: StepStatus;
  state: OperationState | null;
  /** steps that must be done first */
  waitsFor: { id: string; title: string; reason: string; until: string | null }[];
  gate: GateCheck[];
  /** when its unattended time ends, ISO; null when it has none or is over */
  curingUntil: string | null;
  tools: readonly string[];
  how: readonly string[];
  loop: readonly PassKind[];
  reach: ReachedAt[];
  /** why it has to be looked at again although it was done; null when it stands */
  again: (Spoilt & { title: string }) | null;
  agreement: StepAgreement;
  /** what the shop's own clock says, and the minutes of the table it was applied to */
  learned: (LearnedFactor & { table: number }) | null;
  /** minutes as the table has them, or as they were set by hand */
  table: PlannedOperation['minutes'];
  /** every measure whose readings go stale when it is done */
  spoils: readonly string[];
  /** what it gives to parts out of the drawers */
  puts: readonly MaterialUse[];
  /** what it puts in of what was chosen, as keys of `JobState.chosen` */
  takes: readonly string[];
  /** can it be done only with keys off? */
  keysOff: boolean;
}

/** Is there still something to do on it? */
export const isOpenStep = ({ status }: Pick<Step, 'status'>): boolean =>
  status === 'ready' || status === 'waiting' || status === 'started';
