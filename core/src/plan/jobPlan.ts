import { sentBackSince } from '../masterLook';
import { bushLines } from '../bushing';
import { dentLines, dentReach } from '../dents';
import { explainedFindings, findingTitle, isOpenStatus, type FindingState } from '../findings';
import {
  fittingsOver,
  isNearSeal,
  overRelations,
  partNames,
  partsNear,
  rodsOf,
  type InstrumentType,
} from '../instruments';
import { rememberedOf, type JobState } from '../job';
import { takenBy } from '../materials';
import { resonatorOf } from '../padSet';
import type { OperationState } from './operationState';
import { groupNamed, isJudged, limitsOf, measureStateWords } from '../measures';
import { groupOfFinding, seenParts, stateOf, type JobJudgement } from '../judgement';
import { assemblyGuide } from '../stripdown';
import { landingWords } from '../survey';
import { isLargeHole, settingsOf, tolerance, toleranceWords, type LimitSource, type Tolerance } from '../practice';
import type { RuleChange } from '../regulation';
import type { Sizes } from '../stock';
import { printPhrase, type KeptUnit } from '../units';
import type {
  Family,
  MaterialUse,
  MeasureGroup,
  PassKind,
  PracticeSettings,
  Stage,
  ToleranceName,
} from '../vocabulary';
import { learnedFor, type LearnedFactor, type LearnedTimes } from './learnTimes';
import { tableWith, type OperationKind, type OperationTable } from './operations';
import { asDone, howLines, operationTitle, planOverhaul, wholeInstrument } from './planOverhaul';
import type { CustomWork, PlanInput, PlannedOperation, PlanOutput } from './plan.schema';
import { establishes, spoiltSteps, type Progress, type Spoilt } from './spoilt';

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

export interface JobPlan {
  steps: Step[];
  left: { finding: FindingState; reason: string }[];
  /** hand-made changes the rules do not allow now */
  unkept: PlanOutput['unkept'];
  /** the step hands should go to next; null when none is ready */
  next: Step | null;
  minutesLeft: { low: number; likely: number; high: number };
  /** what comes before any step, as long as nothing is planned but what ends every job */
  first: keyof typeof firstWords | null;
}

/** What hands should do first with an instrument nobody has looked at, and with one whose faults nobody has answered. */
export const firstWords = {
  look: 'Look it over, part by part',
  decide: 'Decide on what was found',
} as const;
/** Stages every job ends with, whatever is found. */
const endings: ReadonlySet<Stage> = new Set(['playtest', 'handover']);

/** What hands should do next, in words; null when nothing is ready. */
export const nextTitle = ({ first, next }: Pick<JobPlan, 'first' | 'next'>): string | null =>
  first ? firstWords[first] : (next?.title ?? null);

function firstOf(state: JobState, { suggestions }: JobJudgement, steps: readonly Step[]): JobPlan['first'] {
  const hasBegun = steps.some((step) => !endings.has(step.stage) || step.status === 'started' || !isOpenStep(step));
  if (hasBegun || state.signOff) return null;
  const { findings, points, ticks, observations, survey, played, tested } = state;
  if (suggestions.length > 0 || [...findings.values()].some(({ status }) => status === 'suspected')) return 'decide';
  const seen = [findings, points, ticks, observations, survey, played, tested];
  return seen.every(({ size }) => size === 0) ? 'look' : null;
}

/** What a shop brings to a plan beside the shipped tables. */
export interface PlanBasis {
  custom?: CustomWork;
  /** own cautions by kind of operation */
  cautionsFor?: Readonly<Record<string, readonly string[]>>;
  learned?: LearnedTimes;
  /** what there is in the shop, for what is advised */
  sizes?: Sizes;
  /** rules of regulation the shop wants otherwise, for what the record says of them */
  rules?: readonly (RuleChange & { instrument: string })[];
  /** whose hands: their own times count first */
  person?: string;
}

/** Looking at a step again is less than doing it: these shares of its minutes, low, likely and high. */
const againShare = { low: 0.2, likely: 0.5, high: 1 } as const;

/** Findings that ask for work, or asked for it before it was done. */
const planned = (state: JobState, finding: FindingState) =>
  finding.status === 'confirmed' ||
  finding.status === 'stop-gap' ||
  // What was found good when it was looked at again asks for nothing.
  (finding.status === 'cured' && cureOf(state, finding) !== null);

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

function checksOf(
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

/** Was it done, has no finding it cures been confirmed again since, and has nobody sent it back? */
function stillDone(
  operation: { id: string; cures: readonly string[] },
  done: OperationState,
  state: JobState,
): boolean {
  if (sentBackSince(state, operation.id, done.seq)) return false;
  return operation.cures.every((id) => {
    const finding = state.findings.get(id);
    if (!finding || !isOpenStatus(finding.status)) return true;
    return (state.byId.get(finding.history.at(-1) ?? '')?.seq ?? 0) < done.seq;
  });
}

const after = (iso: string, minutes: number) => new Date(Date.parse(iso) + minutes * 60_000).toISOString();

/** The sides this job takes: its practice, and what it took up otherwise. */
export const jobSettings = (state: JobState): PracticeSettings =>
  settingsOf(state.practice, state.tolerances?.body.settings);

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
const fittingsBeside = (type: InstrumentType, finding: FindingState): string[] =>
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
const plannedWork = (state: JobState, type: InstrumentType, custom?: CustomWork): PlanOutput =>
  rememberedOf(state, 'work', workBasis(state, type, custom), () =>
    planOverhaul(planInputOf(state, type, custom), type),
  );

/** What the owner has agreed to and refused; null when nothing was ever agreed. */
function agreedWork(state: JobState): { agreed: Set<string>; refused: Set<string> } | null {
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

function agreementOf(id: string, work: ReturnType<typeof agreedWork>): StepAgreement {
  if (!work) return null;
  if (work.agreed.has(id)) return 'agreed';
  return work.refused.has(id) ? 'refused' : 'to-agree';
}

const shareOf = ({ low, likely, high }: Step['minutes']): Step['minutes'] => ({
  low: Math.max(1, Math.round(low * againShare.low)),
  likely: Math.max(1, Math.round(likely * againShare.likely)),
  high: Math.max(1, Math.round(high * againShare.high)),
});

/**
 * The minutes of a step: those of the table, as the shop's own clock has them, less where it is only looked at again.
 *
 * @param again whether it is done and only to be looked at again
 */
export function stepMinutes(
  { kind, table, again }: { kind: string; table: Step['minutes']; again: boolean },
  family: Family,
  { learned, person }: PlanBasis,
): Pick<Step, 'minutes' | 'learned'> {
  const known = learned ? learnedFor(learned, kind, family, person) : null;
  const by = (x: number) => (known ? Math.max(1, Math.round(x * known.factor)) : x);
  const minutes = { low: by(table.low), likely: by(table.likely), high: by(table.high) };
  return { minutes: again ? shareOf(minutes) : minutes, learned: known && { ...known, table: table.likely } };
}

/** Are fresh readings there for all that a step set, and are they all good? Then it need not be looked at again. */
function provedAgain(
  operation: PlannedOperation,
  state: JobState,
  type: InstrumentType,
  judgement: JobJudgement,
): boolean {
  return establishes(operation).every((measure) => {
    const checks = checksOf([measure], state, type, judgement, new Map());
    return checks.length > 0 && checks.every(({ part, group }) => stateOf(judgement, group, part) === 'within');
  });
}

/** How far a job has come, as its logbook tells; `refused` is what the owner does not want. */
export const progressOf = (state: JobState, refused: ReadonlySet<string> = new Set()): Progress => ({
  doneAt: (id) => {
    const found = state.operations.get(id);
    return found?.status === 'done' ? found.seq : null;
  },
  dropped: (id) => state.operations.get(id)?.status === 'skipped' || refused.has(id),
  foundAt: (finding) => state.byId.get(state.findings.get(finding)?.history[0] ?? '')?.seq ?? null,
});

/** Steps that are done and have lost their worth, but for those that fresh readings prove anew. */
function stepsAgain(
  operations: readonly PlannedOperation[],
  table: OperationTable,
  state: JobState,
  type: InstrumentType,
  judgement: JobJudgement,
  refused: ReadonlySet<string>,
): Map<string, Spoilt> {
  const progress = progressOf(state, refused);
  const spoilt = spoiltSteps(operations, table, progress);
  for (const operation of operations) {
    const { by, measure } = spoilt.get(operation.id) ?? {};
    if (by === undefined || measure === null || progress.doneAt(by) === null) continue;
    if (provedAgain(operation, state, type, judgement)) spoilt.delete(operation.id);
  }
  return spoilt;
}

/** The deeper fault that explains everything this step is there for; null where it stands by itself. */
function deeperCause(
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
function lookedSince(state: JobState, part: string, { history }: FindingState): boolean {
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
function gateOfSuspended(
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

/** Which keys come off, and which guards with them: what lies on top first, and back the other way round. */
function keyLines(
  { keys = [], stage }: PlannedOperation,
  type: InstrumentType,
  names: ReadonlyMap<string, string>,
): string[] {
  if (keys.length === 0 || (stage !== 'strip' && stage !== 'assemble')) return [];
  const back = assemblyGuide([...fittingsOver(type, new Set(keys)), ...keys], overRelations(type)).steps;
  const named = back.map(({ part }) => names.get(part) ?? part);
  return stage === 'strip' ? [`Off, in this order: ${named.reverse().join(', ')}.`] : [`Back on: ${named.join(', ')}.`];
}

/** What is to be minded at a post that carries a rod on either side. */
function postLines({ part }: PlannedOperation, type: InstrumentType, names: ReadonlyMap<string, string>): string[] {
  const post = type.posts.find(({ id }) => id === part);
  const rods = post ? rodsOf(post).map((id) => names.get(id) ?? id) : [];
  return rods.length < 2
    ? []
    : [`It carries ${rods.join(' and ')}: steady it against its neighbour, and work only the side that bears.`];
}

/** What is to be done about the dents a step is for, with the balls there are. */
function dentHow(
  { kind, cures }: PlannedOperation,
  state: JobState,
  type: InstrumentType,
  names: ReadonlyMap<string, string>,
  balls: readonly number[] = [],
): string[] {
  const dents = cures.flatMap((id) => state.findings.get(id) ?? []);
  if (kind === 'locate-fitting') {
    const beside = new Set(dents.flatMap((dent) => fittingsBeside(type, dent)));
    return [`Back on: ${[...beside].map((id) => names.get(id) ?? id).join(', ')}.`];
  }
  if (kind !== 'raise-dent') return [];
  return dentLines(dents, type, balls).map((line) => printPhrase(line, state.unit));
}

/** The sizes of the bush a post is to get, as they were worked out for it. */
function bushHow({ kind, part }: PlannedOperation, { bushes, unit }: JobState): string[] {
  const bush = kind === 'bush-post' ? bushes.get(part) : undefined;
  return bush ? bushLines(bush).map((line) => printPhrase(line, unit)) : [];
}

/** Steps in which a snap-fit resonator goes in or comes out. */
const snapSteps: readonly string[] = ['renew-pads', 'renew-aged-pads', 'keep-pads', 'replace-pad', 'renew-resonator'];

/** How pads with a snap-fit resonator are set, where the step is about any. */
function snapHow(
  { kind, part }: PlannedOperation,
  state: JobState,
  type: InstrumentType,
  names: ReadonlyMap<string, string>,
): string[] {
  if (!snapSteps.includes(kind)) return [];
  const snaps = type.pads.filter(
    ({ hole, ...pad }) =>
      (part === wholeInstrument || part === hole || part === pad.key) &&
      resonatorOf(state, { hole, ...pad }) === 'snap',
  );
  if (snaps.length === 0) return [];
  const which = part === wholeInstrument ? ` (${snaps.map(({ hole }) => names.get(hole) ?? hole).join(', ')})` : '';
  return [
    `Snap-fit${which}: try the fit in the pad first, then close the petals to a firm snap.`,
    'Adhesive as a ring at the edge and none in the middle; no heat at a pearl behind an open cup. A broken petal means another part.',
  ];
}

/** Which keys get a clamp while pads are seated: those that stand open and a finger holds, or all, by the practice. */
function clampHow(
  { kind }: PlannedOperation,
  { clamping }: PracticeSettings,
  type: InstrumentType,
  names: ReadonlyMap<string, string>,
): string[] {
  if (kind !== 'seat-clamped') return [];
  const padded = new Set(type.pads.map(({ key }) => key));
  const clamped = type.keys.filter(
    ({ id, rest, touches = [] }) =>
      padded.has(id) && (clamping === 'every-pad' || (rest === 'open' && touches.length > 0)),
  );
  return clamped.length === 0
    ? []
    : [`Clamps on ${clamped.length} keys: ${clamped.map(({ id }) => names.get(id) ?? id).join(', ')}.`];
}

type Adjuster = InstrumentType['links'][number]['adjuster'];

/** What is done to each kind of adjuster, by whether its follower comes early or late. */
const adjusterActs: Record<Adjuster, Record<'early' | 'late', string>> = {
  screw: { early: 'turn the screw out', late: 'turn the screw in' },
  arm: { early: 'bend the arm away, the cup held', late: 'bend the arm closer, the cup held' },
  cork: { early: 'shave the cork', late: 'add paper or a thicker cork' },
  felt: { early: 'shave the felt', late: 'add paper or a thicker felt' },
  paper: { early: 'take paper away', late: 'add paper' },
  fixed: {
    early: 'nothing turns here, so level the cups first, then ease the tail',
    late: 'nothing turns here, so level the cups first, then ease the tail',
  },
};

/** What is to be done at the adjuster of a link, as it was last seen to land; both ways where nobody has said. */
function linkLines({ kind, part }: PlannedOperation, state: JobState, type: InstrumentType): string[] {
  const link = type.links.find(({ id }) => id === part);
  if (kind !== 'set-adjuster' || !link) return [];
  const acts = adjusterActs[link.adjuster];
  const lands = state.observations.get(`landing:${part}`)?.lands;
  if (lands !== 'follower' && lands !== 'driver') return [`Here: early, ${acts.early}; late, ${acts.late}.`];
  return [`Seen here: ${landingWords(type, link)[lands]}. So: ${acts[lands === 'follower' ? 'early' : 'late']}.`];
}

/** The limits that say when a step on this part is good; where its instrument has none for it, that is said. */
function reachedAt(kind: OperationKind, part: string, type: InstrumentType, limits: LimitSource): ReachedAt[] {
  const reach = kind.reach ?? [];
  if (reach.length === 0) return [];
  const diameters = type.holes.flatMap((hole) => (hole.id === part || part === 'instrument' ? [hole.diameter] : []));
  // One rim has one limit, by its size; a step on all of them has both where there are both.
  const rims: ToleranceName[] = [
    ...(diameters.some((diameter) => !isLargeHole(diameter)) ? (['rimFlatness'] as const) : []),
    ...(diameters.some(isLargeHole) ? (['rimFlatnessLarge'] as const) : []),
  ];
  const names = reach.flatMap((name) => (name === 'rimFlatness' && rims.length > 0 ? rims : [name]));
  const all = names.map((name) => ({ name, ...toleranceWords[name], limit: tolerance(name, limits) }));
  const set = all.filter(({ limit }) => limit !== null);
  // A table names several where kinds of instruments differ: one that is set answers for those that are not.
  return set.length > 0 ? set : all;
}

/**
 * The plan of a job as it stands: the operations its findings and practice ask for, each with its status, what it waits
 * for, which fresh readings its gate wants, what cures until when, and what has to be looked at again.
 *
 * @param now the time at the bench, ISO 8601: decides what is still curing
 * @param basis what the shop brings: its own work, cautions and times
 */
export function jobPlan(
  state: JobState,
  type: InstrumentType,
  judgement: JobJudgement,
  now: string,
  basis: PlanBasis = {},
): JobPlan {
  const names = partNames(type);
  const kinds = tableWith(basis.custom?.operations);
  const settings = jobSettings(state);
  const limits = limitsOf(state, type);
  const { operations, left, unkept } = plannedWork(state, type, basis.custom);
  const work = agreedWork(state);
  const spoilt = stepsAgain(operations, kinds, state, type, judgement, work?.refused ?? new Set());
  const titleOf = ({ kind, part }: PlannedOperation) => operationTitle(kind, names.get(part) ?? part, kinds);
  const titles = new Map(operations.map((operation) => [operation.id, titleOf(operation)]));

  const plainTitles = new Map(operations.map(({ id, title }) => [id, title]));
  const named = (reason: string, id: string) =>
    reason.replaceAll(`“${plainTitles.get(id)}”`, `“${titles.get(id) ?? id}”`);
  const suspended = new Map(explainedFindings(state, type).map(({ finding, by }) => [finding.finding, by]));
  const byId = new Map<string, Step>();
  /** Steps that wait for no more than a look, now that the deeper fault is put right. */
  const onlyToLook = new Set<string>();
  const steps = operations.map((operation): Step => {
    const kind = asDone(kinds.get(operation.kind) as OperationKind, type.family, type, operation.part);
    const opState = state.operations.get(operation.id) ?? null;
    const spoiltBy = spoilt.get(operation.id);
    const again = spoiltBy ? { ...spoiltBy, title: titles.get(spoiltBy.by) ?? spoiltBy.by } : null;
    const over =
      !again &&
      opState &&
      (opState.status === 'skipped' || (opState.status === 'done' && stillDone(operation, opState, state)));
    // A page's clock may be a little behind an entry that reaches it: only what has to cure waits for a time.
    const cures = over && opState.status === 'done' && operation.unattended > 0;
    const curing = cures && opState.endedAt ? after(opState.endedAt, operation.unattended) : null;
    const curingUntil = curing !== null && curing > now ? curing : null;

    const waitsFor = new Map<string, Step['waitsFor'][number]>();
    for (const { id, reason } of operation.after) {
      const before = byId.get(id);
      // Whether a pad is good now that its rod is straight shows with its key on: putting it back waits for no such look.
      if (!before || (operation.stage === 'assemble' && onlyToLook.has(id))) continue;
      const behind = before.status === 'skipped' || (before.status === 'done' && !before.curingUntil);
      // What was done out of its order does not open the way: whatever it waits for is waited for here too.
      if (!behind) waitsFor.set(id, { id, title: before.title, reason: named(reason, id), until: before.curingUntil });
      else for (const each of before.waitsFor) if (!waitsFor.has(each.id)) waitsFor.set(each.id, each);
    }
    const gate = checksOf([...operation.needs, ...(operation.asks ?? [])], state, type, judgement, names);
    const deeper = deeperCause(operation, state, suspended);
    if (deeper && !over) {
      const cure = operations.find(({ cures }) => cures.includes(deeper.finding));
      if (deeper.status === 'confirmed' && cure && !waitsFor.has(cure.id))
        waitsFor.set(cure.id, {
          id: cure.id,
          title: titles.get(cure.id) ?? cure.title,
          reason: 'Suspended: the deeper fault comes first, and this may go with it.',
          until: null,
        });
      else if (deeper.status !== 'confirmed' && !lookedSince(state, operation.part, deeper)) {
        gate.push(gateOfSuspended(operation, state, deeper, names));
        if (waitsFor.size === 0) onlyToLook.add(operation.id);
      }
    }
    const agreement = agreementOf(operation.id, work);
    const status = ((): StepStatus => {
      if (over) return curingUntil ? 'curing' : (opState.status as 'done' | 'skipped');
      if (opState?.status === 'started') return 'started';
      const unagreed = agreement === 'to-agree' || agreement === 'refused';
      return waitsFor.size > 0 || unagreed || gate.some(({ open }) => !open) ? 'waiting' : 'ready';
    })();
    const table = operation.minutes;
    const timed = stepMinutes({ kind: operation.kind, table, again: again !== null }, type.family, basis);
    const cautions = [...operation.cautions, ...(basis.cautionsFor?.[operation.kind] ?? [])];
    const step: Step = {
      ...operation,
      // Reasons name steps as the table does, with the ids of parts: here they get their names.
      after: operation.after.map(({ id, reason }) => ({ id, reason: named(reason, id) })),
      ...timed,
      table,
      title: titles.get(operation.id) ?? operation.title,
      cautions: [...new Set(cautions)],
      status,
      state: opState,
      waitsFor: [...waitsFor.values()],
      gate,
      curingUntil,
      tools: kind.tools,
      how: [
        ...howLines(kind, settings),
        ...keyLines(operation, type, names),
        ...postLines(operation, type, names),
        ...linkLines(operation, state, type),
        ...dentHow(operation, state, type, names, basis.sizes?.balls),
        ...bushHow(operation, state),
        ...snapHow(operation, state, type, names),
        ...clampHow(operation, settings, type, names),
      ],
      spoils: [...operation.disturbs, ...(operation.also ?? [])],
      puts: kind.puts ?? [],
      takes: over ? [] : takenBy(state, kind.puts ?? [], operation.part === wholeInstrument ? null : operation.part),
      keysOff: kind.keysOff === true || kind.clears !== undefined,
      loop: kind.loop ?? [],
      reach: reachedAt(kind, operation.part, type, limits),
      again,
      agreement,
    };
    byId.set(step.id, step);
    return step;
  });

  const open = steps.filter((step) => isOpenStep(step) && step.agreement !== 'refused');
  const sum = (which: 'low' | 'likely' | 'high') => open.reduce((total, { minutes }) => total + minutes[which], 0);
  return {
    steps,
    left: left.flatMap(({ finding, reason }) => {
      const found = state.findings.get(finding);
      return found ? [{ finding: found, reason }] : [];
    }),
    unkept,
    next: steps.find(({ status }) => status === 'started') ?? steps.find(({ status }) => status === 'ready') ?? null,
    minutesLeft: { low: sum('low'), likely: sum('likely'), high: sum('high') },
    first: firstOf(state, judgement, steps),
  };
}

/** Is there still something to do on it? */
export const isOpenStep = ({ status }: Pick<Step, 'status'>): boolean =>
  status === 'ready' || status === 'waiting' || status === 'started';
