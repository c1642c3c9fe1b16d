import type { Kind } from '../logbook';
import type { JobState } from './jobState';

/** A kind of entry in the logbook of a job. */
export interface JobKind<Name extends string, Body> extends Kind<Name, Body, JobState> {
  /** can such an entry turn the plan round? */
  readonly turnsPlan: boolean;
  /** may it be written when the job is signed off? */
  readonly afterSignOff?: true;
}
