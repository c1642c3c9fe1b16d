import { everExplained, type FindingState } from '../findings';
import { partNames, type InstrumentType } from '../instruments';
import { rememberedOf, type JobState } from '../job';
import type { Family, FindingKind } from '../vocabulary';

/** What was done about a fault. */
export interface Cure {
  /** the kind of step; null where somebody put it right without one, or a look found it gone */
  step: string | null;
  /** its share of the minutes of the step, which may have cured others too; null without a step */
  minutes: number | null;
  /** ISO 8601 */
  at: string;
  /** the same fault was written down at the same part again, later in the same job */
  cameBack: boolean;
}

/** A fault of one job that somebody has settled, and how. Plain data. */
export interface Outcome {
  finding: string;
  kind: FindingKind;
  part: string;
  /** the part as that instrument calls it */
  place: string;
  /** when it was written down first, ISO 8601 */
  foundAt: string;
  /** the deeper fault that was found behind it */
  cause: { kind: FindingKind; part: string } | null;
  /** oldest first; none where it was declined, or left */
  cures: Cure[];
  /** it was looked into and was none */
  wasNone: boolean;
}

/** An outcome with the job it comes from. */
export interface KnownOutcome extends Outcome {
  ticket: string;
  family: Family;
  /** of its intake; an instrument without a serial is nobody's return */
  serial: string;
  maker: string;
}

/** Every time a finding was settled by work or a word, with the sequence number of the entry that did it. */
function curesOf(state: JobState, { history }: FindingState): (Cure & { seq: number })[] {
  return history.flatMap((id): (Cure & { seq: number })[] => {
    const entry = state.byId.get(id);
    if (!entry || state.struck.has(id)) return [];
    const cure = { at: entry.benchTime, seq: entry.seq, cameBack: false };
    if (entry.kind === 'operation-done') {
      const { operation, minutes, cures } = entry.body;
      const step = operation.split(':', 1)[0] ?? operation;
      return [{ ...cure, step, minutes: minutes / Math.max(1, cures.length) }];
    }
    return entry.kind === 'finding' && entry.body.status === 'cured' ? [{ ...cure, step: null, minutes: null }] : [];
  });
}

/** When a fault of this kind was said to be at this part, by the number of the entry. */
const saidAt = (state: JobState, { kind, part }: FindingState): number[] =>
  [...state.findings.values()]
    .filter((each) => each.kind === kind && each.part === part)
    .flatMap(({ history }) =>
      history.flatMap((id) => {
        const entry = state.byId.get(id);
        const isSaid = entry?.kind === 'finding' && ['open', 'suspected', 'confirmed'].includes(entry.body.status);
        return isSaid ? [entry.seq] : [];
      }),
    );

/**
 * What became of the faults of a job: what was behind each, what was done about it, how long that took, and whether it was
 * written down again after. A fault a deeper one explained was cured by what cured that one.
 */
export const outcomesOf = (state: JobState, type: InstrumentType): readonly Outcome[] =>
  rememberedOf(state, 'outcomes', [state.findings, state.struck, state.observations, type], () => {
    const names = partNames(type);
    const behind = new Map(everExplained(state, type).map(({ finding, by }) => [finding.finding, by]));
    return [...state.findings.values()].flatMap((finding): Outcome[] => {
      const by = behind.get(finding.finding);
      const own = curesOf(state, finding);
      const worked = own.some(({ step }) => step !== null);
      // What only went away with the deeper fault took no work of its own.
      const all = by && !worked && finding.status === 'cured' ? curesOf(state, by) : own;
      const wasNone = finding.status === 'declined';
      const first = state.byId.get(finding.history[0] ?? '');
      if (!first || (all.length === 0 && !wasNone)) return [];
      const again = saidAt(state, finding);
      return [
        {
          finding: finding.finding,
          kind: finding.kind,
          part: finding.part,
          place: names.get(finding.part) ?? finding.part,
          foundAt: first.benchTime,
          cause: by ? { kind: by.kind, part: by.part } : null,
          cures: wasNone
            ? []
            : all.map(({ seq, ...cure }, i) => ({
                ...cure,
                // The next cure answers what came after it.
                cameBack: again.some((at) => at > seq && at < (all[i + 1]?.seq ?? Infinity)),
              })),
          wasNone,
        },
      ];
    });
  });
