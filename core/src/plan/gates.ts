import { findingTitle, isOpenStatus, type FindingState } from '../findings';
import type { InstrumentType } from '../instruments';
import type { JobState } from '../job';
import { groupNamed, isJudged, measureStateWords } from '../measures';
import { groupOfFinding, seenParts, stateOf, type JobJudgement } from '../judgement';
import type { MeasureGroup } from '../vocabulary';
import type { PlannedOperation } from './plan.schema';
import type { GateCheck } from './step';

/**
 * The parts of a group that do not count as good while nobody has looked at them, in an overhaul: every pad and every joint
 * by itself, for a look takes one key; rims, posts and lines where their station of the survey was not gone through.
 */
function everyPart(state: JobState, group: string, type: InstrumentType): string[] {
  if (state.intake?.scope !== 'overhaul') return [];
  const { everyPart: partsOf, station } = groupNamed(group) ?? {};
  if (station !== undefined && state.survey.get(station)?.outcome === 'looked') return [];
  return partsOf?.(type) ?? [];
}

/** In a repair some are asked for only where something speaks against the part. */
function unasked({ intake, findings }: JobState, group: string, part: string): boolean {
  const onlyFor = groupNamed(group)?.inRepairOnlyFor;
  if (intake?.scope !== 'repair' || !onlyFor) return false;
  return ![...findings.values()].some(
    (finding) => finding.part === part && onlyFor.includes(finding.kind) && finding.status !== 'declined',
  );
}

/** Is a fault of this part, as this group shows it, known and left as it is? Then it holds up nobody else. */
const leftAsItIs = ({ findings }: JobState, group: string, part: string): boolean =>
  [...findings.values()].some(
    (finding) =>
      finding.part === part &&
      (finding.status === 'stop-gap' || finding.status === 'left') &&
      groupOfFinding(finding.kind) === group,
  );

export function checksOf(
  measures: readonly string[],
  state: JobState,
  type: InstrumentType,
  judgement: JobJudgement,
  names: ReadonlyMap<string, string>,
): GateCheck[] {
  const checks: GateCheck[] = [];
  for (const need of measures) {
    const [group = '', part = ''] = need.split(':');
    // A gate asks only for what a technician can give it.
    if (!isJudged(group)) continue;
    const every = part === '*' ? new Set(everyPart(state, group, type)) : new Set<string>();
    // A wildcard speaks of those, and of all that was read or looked at in this job.
    for (const concerned of part === '*' ? new Set([...every, ...seenParts(state, group)]) : [part]) {
      // What nobody has come near has no report that could say so.
      const found = stateOf(judgement, group, concerned) ?? (every.has(concerned) ? 'unmeasured' : null);
      if (part === '*' && leftAsItIs(state, group, concerned)) continue;
      if (found === null || (found === 'unmeasured' && part !== '*' && unasked(state, group, concerned))) continue;
      const open = found === 'within' || found === 'undecided';
      const place = `${group.replace('-', ' ')} of ${names.get(concerned) ?? concerned}`;
      const why = open ? `${place}: ${measureStateWords[found]}` : `${place} is ${measureStateWords[found]}`;
      checks.push({ group: group as MeasureGroup, part: concerned, open, why });
    }
  }
  return checks;
}

/** The deeper fault that explains everything this step is there for; null where it stands by itself. */
export function deeperCause(
  { cures }: PlannedOperation,
  state: JobState,
  suspended: ReadonlyMap<string, FindingState>,
): FindingState | null {
  const open = cures.filter((id) => isOpenStatus(state.findings.get(id)?.status ?? 'declined'));
  const [first] = open;
  if (first === undefined || !open.every((id) => suspended.has(id))) return null;
  return suspended.get(first) ?? null;
}

/** Was this part looked at, by light, by hand or by gauge, since the deeper fault was put right? */
export function lookedSince(state: JobState, part: string, { history }: FindingState): boolean {
  const since = state.byId.get(history.at(-1) ?? '')?.seq ?? 0;
  const seen = [
    ...[...state.ticks.values()].filter((tick) => tick.part === part && !tick.stale),
    ...[...state.observations.values()].filter((seenThere) => seenThere.part === part),
    ...[...state.points.values()].flatMap(({ point, readings }) =>
      point.part === part ? readings.filter(({ stale }) => !stale) : [],
    ),
  ];
  return seen.some(({ seq }) => seq > since);
}

/** The gate of a step whose deeper cause is put right: what it was for may be gone. */
export function gateOfSuspended(
  { part, cures }: PlannedOperation,
  state: JobState,
  deeper: FindingState,
  names: ReadonlyMap<string, string>,
): GateCheck {
  const kind = state.findings.get(cures[0] ?? '')?.kind;
  const group = (kind && groupOfFinding(kind)) ?? 'pad';
  const name = (id: string) => names.get(id) ?? id;
  return {
    group,
    part,
    open: false,
    why: `look again at the ${group} of ${name(part)}: “${findingTitle(deeper)}, ${name(deeper.part)}” is put right, and this may have gone with it`,
  };
}
