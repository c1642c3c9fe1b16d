import type { JobState } from '../job';
import type { StepAgreement } from './step';

/** What the owner has agreed to and refused; null when nothing was ever agreed. */
export function agreedWork(state: JobState): { agreed: Set<string>; refused: Set<string> } | null {
  const agreed = new Set<string>();
  const refused = new Set<string>();
  let asked = false;
  for (const { estimate, answer } of state.estimates.values()) {
    if (!answer) continue;
    const { operations, changeOf } = estimate.body;
    const without = new Set(answer.body.without ?? []);
    const yes = answer.body.answer !== 'refused';
    // A first estimate that was refused settles nothing: another will be given.
    if (!yes && changeOf === undefined) continue;
    asked ||= yes;
    for (const id of operations) {
      const [into, outOf] = yes && !without.has(id) ? [agreed, refused] : [refused, agreed];
      into.add(id);
      outOf.delete(id);
    }
  }
  return asked ? { agreed, refused } : null;
}

export function agreementOf(id: string, work: ReturnType<typeof agreedWork>): StepAgreement {
  if (!work) return null;
  if (work.agreed.has(id)) return 'agreed';
  return work.refused.has(id) ? 'refused' : 'to-agree';
}
