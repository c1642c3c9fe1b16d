import { dentReach } from '../dents';
import type { FindingState } from '../findings';
import { isNearSeal, partsNear, type InstrumentType } from '../instruments';
import { rememberedOf, type JobState } from '../job';
import { planOverhaul } from './planOverhaul';
import type { CustomWork, PlanInput, PlanOutput } from './plan.schema';

/** Findings that ask for work, or asked for it before it was done. */
const planned = (state: JobState, finding: FindingState) =>
  finding.status === 'confirmed' ||
  finding.status === 'stop-gap' ||
  // What was found good when it was looked at again asks for nothing.
  (finding.status === 'cured' && cureOf(state, finding) !== null);

/** The operation that cured a finding: the last one done about it, whoever has looked at it since; null where it went by itself. */
function cureOf(state: JobState, { history }: FindingState): string | null {
  const done = history.findLast((id) => state.byId.get(id)?.kind === 'operation-done');
  const last = done === undefined ? undefined : state.byId.get(done);
  return last?.kind === 'operation-done' ? last.body.operation : null;
}

/** Does a dent touch a seal? One at a hole, a post or a joint does; elsewhere its place on the tube says. */
function dentNearSeal(type: InstrumentType, finding: FindingState): boolean {
  const { part, place } = finding;
  if ([type.holes, type.posts, type.joints].flat().some(({ id }) => id === part)) return true;
  return place !== null && isNearSeal(type, { ...place, width: dentReach(finding) });
}

/** Guards, braces and other fittings that stand beside a dent. */
export const fittingsBeside = (type: InstrumentType, finding: FindingState): string[] =>
  finding.place ? partsNear(type, finding.place, dentReach(finding)).fittings : [];

/** What the plan of a job is made from: its findings and practice, its instrument, what is done and changed by hand. */
export function planInputOf(state: JobState, type: InstrumentType, custom?: CustomWork): PlanInput {
  const ended = [...state.operations.values()].filter(({ status }) => status === 'done');
  return {
    family: type.family,
    body: type.body,
    practice: state.practice,
    scope: state.intake?.scope ?? 'repair',
    size: { pads: type.pads.length, keys: type.keys.length, holes: type.holes.length },
    findings: [...state.findings.values()]
      .filter((finding) => planned(state, finding))
      .map((finding) => {
        const curedBy = finding.status === 'cured' ? cureOf(state, finding) : null;
        const { finding: id, kind, part, severity, spring, place, dent } = finding;
        return {
          id,
          kind,
          part,
          severity,
          ...(spring && { spring }),
          ...(place && { place }),
          ...(dent && { width: dentReach(finding) }),
          ...(kind === 'dent' && {
            nearSeal: dentNearSeal(type, finding),
            nearFitting: fittingsBeside(type, finding).length > 0,
          }),
          ...(curedBy !== null && { curedBy }),
        };
      }),
    kept: [...state.operations.values()].filter(({ status }) => status !== 'skipped').map(({ operation }) => operation),
    ...(state.intake?.spareFinish && { spareFinish: true }),
    done: ended.map(({ operation }) => operation),
    byHand: [...state.planChanges.values()].map(({ body: { operation, add, before, minutes, reason } }) => ({
      operation,
      reason,
      ...(add && { add }),
      ...(before !== undefined && { before }),
      ...(minutes && { minutes }),
    })),
    ...(state.tolerances?.body.settings && { settings: state.tolerances.body.settings }),
    ...(custom && { custom }),
  };
}

/** All that the work of a job is planned from; what is planned stands as long as these are the same. */
export const workBasis = (state: JobState, type: InstrumentType, custom?: CustomWork): readonly unknown[] => {
  const { practice, intake, findings, operations, planChanges, tolerances } = state;
  return [type, custom, practice, intake, findings, operations, planChanges, tolerances];
};

/** The work of a job in its order, whatever has been read: planned once for as long as no entry speaks of it. */
export const plannedWork = (state: JobState, type: InstrumentType, custom?: CustomWork): PlanOutput =>
  rememberedOf(state, 'work', workBasis(state, type, custom), () =>
    planOverhaul(planInputOf(state, type, custom), type),
  );
