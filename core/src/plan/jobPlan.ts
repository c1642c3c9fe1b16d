import { explainedFindings, type FindingState } from '../findings';
import { partNames, type InstrumentType } from '../instruments';
import type { JobState } from '../job';
import { takenBy } from '../materials';
import { limitsOf } from '../measures';
import type { JobJudgement } from '../judgement';
import { isLargeHole, settingsOf, tolerance, toleranceWords, type LimitSource } from '../practice';
import type { PracticeSettings, ToleranceName } from '../vocabulary';
import { tableWith, type OperationKind } from './operations';
import { asDone, operationTitle, wholeInstrument } from './planOverhaul';
import type { PlanBasis } from './planBasis';
import type { PlannedOperation, PlanOutput } from './plan.schema';
import { stepsAgain, stillDone } from './again';
import { agreedWork, agreementOf } from './agreedWork';
import { firstOf, type First } from './firstOf';
import { checksOf, deeperCause, gateOfSuspended, lookedSince } from './gates';
import { plannedWork } from './planInput';
import { isOpenStep, type ReachedAt, type Step, type StepStatus } from './step';
import { stepLines } from './stepLines';
import { stepMinutes } from './stepMinutes';

/** What there is to do for an instrument, in its order, and how far that has come. */
export interface JobPlan {
  steps: Step[];
  left: { finding: FindingState; reason: string }[];
  /** hand-made changes the rules do not allow now */
  unkept: PlanOutput['unkept'];
  /** the step hands should go to next; null when none is ready */
  next: Step | null;
  minutesLeft: { low: number; likely: number; high: number };
  /** what comes before any step, as long as nothing is planned but what ends every job */
  first: First | null;
}

const after = (iso: string, minutes: number) => new Date(Date.parse(iso) + minutes * 60_000).toISOString();

/** The sides this job takes: its practice, and what it took up otherwise. */
export const jobSettings = (state: JobState): PracticeSettings =>
  settingsOf(state.practice, state.tolerances?.body.settings);

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
      how: stepLines(operation, kind, { state, type, names, settings, balls: basis.sizes?.balls }),
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
