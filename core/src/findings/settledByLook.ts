import type { InstrumentType } from '../instruments';
import type { EntryBody, JobState } from '../job';
import { choicesOf, type TickGroup } from '../measures';
import { explainedFindings } from './commonCauses';

/**
 * What a good look settles: findings of this part that a deeper fault explains which has been put right since. They
 * went with it. A finding that stands by itself is settled by a person and by no look.
 *
 * @param evidence the entry of the look
 */
export function settledByLook(
  state: JobState,
  type: InstrumentType,
  group: TickGroup,
  part: string,
  evidence: string,
): EntryBody<'finding'>[] {
  const kinds = new Set(choicesOf(group).flatMap(({ finds }) => finds ?? []));
  return explainedFindings(state, type)
    .filter(({ finding, by }) => finding.part === part && kinds.has(finding.kind) && by.status === 'cured')
    .map(({ finding: { finding, kind, severity, note } }) => ({
      finding,
      kind,
      part,
      severity,
      status: 'cured',
      note,
      reason: 'Looked at again after the deeper fault was put right: good.',
      evidence: [evidence],
    }));
}
