import type { InstrumentType } from '../../instruments';
import type { MeasuredJob } from './measuredJob';
import type { LimitSource, OwnLimits, Tolerance } from '../../practice';

const ownOf = new WeakMap<object, OwnLimits>();

/** What decides on the limits of this job now: its practice, and the limits that were set otherwise for it. */
export function limitsOf(state: MeasuredJob, type: InstrumentType): LimitSource {
  const { tolerances } = state;
  if (!tolerances) return { family: type.family, practice: state.practice };
  const own =
    ownOf.get(tolerances) ??
    (Object.fromEntries(tolerances.body.changes.map(({ name, limit }) => [name, limit as Tolerance])) as OwnLimits);
  ownOf.set(tolerances, own);
  return {
    family: type.family,
    practice: state.practice,
    own,
    ...(tolerances.body.settings && { settings: tolerances.body.settings }),
  };
}
