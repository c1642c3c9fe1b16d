import { findingTitle } from '../findings';
import { partNames, type InstrumentType } from '../instruments';
import type { JobState, NewEntryOf } from '../job';
import {
  isOpenStep,
  operationTitle,
  planInputOf,
  planOverhaul,
  tableWith,
  wholeInstrument,
  type JobPlan,
  type OperationTable,
  type PlanInput,
  type Step,
} from '../plan';
import { practices, settingsOf, sideWords } from '../practice';
import { customWork, type Price, type Rates, type ShopState } from '../shop';
import {
  materialUses,
  practiceNames,
  stages,
  type MaterialUse,
  type PracticeName,
  type PracticeQuestion,
  type Scope,
  type Stage,
} from '../vocabulary';
import { roundedTo } from './money';

type EstimateBody = NewEntryOf<'estimate'>['body'];
/** Low, likely and high: minor units or minutes. */
export type Range = EstimateBody['total'];
export type EstimateLine = EstimateBody['lines'][number];
/** What an estimate says before it is given: everything but its id. */
export type EstimateDraft = Omit<EstimateBody, 'estimate'>;

/** Work an owner is told about in one line, by stage. */
const ownerWords: Record<Stage, string> = {
  intake: 'Looking over, photographs, taking apart',
  survey: 'Looking over, photographs, taking apart',
  strip: 'Looking over, photographs, taking apart',
  free: 'Freeing what is stuck, cleaning',
  body: 'Body: straightening, dents, cracks',
  seams: 'Posts and seams',
  holes: 'Tone holes',
  joints: 'Joints',
  keys: 'Keys: straightening and fitting',
  finish: 'Surface',
  corks: 'Corks and felts',
  pads: 'Pads',
  assemble: 'Putting together and regulating',
  regulate: 'Putting together and regulating',
  tune: 'Tuning, play test, papers',
  playtest: 'Tuning, play test, papers',
  handover: 'Tuning, play test, papers',
};

/** Work to be paid for. */
interface Work {
  id: string;
  kind: string;
  part: string;
  stage: Stage;
  minutes: Range;
}

const nothing: Range = { low: 0, likely: 0, high: 0 };
const plus = (a: Range, b: Range): Range => ({
  low: a.low + b.low,
  likely: a.likely + b.likely,
  high: a.high + b.high,
});
const map = (range: Range, of: (x: number) => number): Range => ({
  low: of(range.low),
  likely: of(range.likely),
  high: of(range.high),
});
const flat = (amount: number): Range => ({ low: amount, likely: amount, high: amount });

/** What is called what, in the words an owner is told. */
const useWords: Record<MaterialUse, string> = {
  pad: 'Pads',
  resonator: 'Resonators',
  grommet: 'Grommets',
  shim: 'Shims',
  cork: 'Cork',
  felt: 'Felt',
  spring: 'Springs',
  bush: 'Bushes',
  washer: 'Washers',
  other: 'Other parts',
};

/** What was chosen out of the drawers for these steps, where its price is known: a line for each use. */
function chosenLines(
  work: readonly Work[],
  { chosen }: JobState,
  kinds: OperationTable,
): { use: MaterialUse; line: EstimateLine }[] {
  const asked = [...chosen.values()].filter(
    ({ use, part, price }) =>
      price !== undefined &&
      work.some(
        ({ kind, part: of }) => kinds.get(kind)?.puts?.includes(use) && (of === wholeInstrument || of === part),
      ),
  );
  return materialUses.flatMap((use) => {
    const own = asked.filter((line) => line.use === use);
    const pieces = own.reduce((sum, { count }) => sum + count, 0);
    if (pieces === 0) return [];
    const amount = own.reduce((sum, { count, price = 0 }) => sum + count * price, 0);
    const what = `${useWords[use]} as chosen${pieces === 1 ? '' : `, ${pieces} pieces`}`;
    return [{ use, line: { kind: 'material' as const, what, amount: flat(Math.round(amount)) } }];
  });
}

/** What the steps use up: as it was chosen out of the drawers, and where nothing was, by the shop's prices. */
function materialLines(work: readonly Work[], state: JobState, shop: ShopState, type: InstrumentType): EstimateLine[] {
  const kinds = tableWith(customWork(shop)?.operations);
  const asChosen = chosenLines(work, state, kinds);
  const covered = asChosen.map(({ use }) => use);
  // A price by the table stands for what nobody has chosen: once it is chosen it would be paid for twice.
  const priced = shop.prices.filter(
    ({ kind, operations }) =>
      kind !== 'material' || !operations.some((name) => kinds.get(name)?.puts?.some((use) => covered.includes(use))),
  );
  return [...asChosen.map(({ line }) => line), ...priceLines(work, priced, type)];
}

/** What the steps use up, by the shop's prices: one line for each price. */
function priceLines(work: readonly Work[], prices: readonly Price[], type: InstrumentType): EstimateLine[] {
  const counts = { step: 1, pads: type.pads.length, keys: type.keys.length, holes: type.holes.length };
  return prices.flatMap(({ what, kind, amount, per, operations, retired }) => {
    const times = work.filter((step) => operations.includes(step.kind)).length;
    const pieces = times * counts[per];
    if (retired || pieces === 0) return [];
    return [{ kind, what: pieces > 1 ? `${what}, ${pieces} pieces` : what, amount: flat(amount * pieces) }];
  });
}

function labourLines(work: readonly Work[], { hourly }: Rates): EstimateLine[] {
  const byWords = new Map<string, Range>();
  for (const stage of stages) {
    for (const step of work.filter((each) => each.stage === stage)) {
      const words = ownerWords[stage];
      byWords.set(words, plus(byWords.get(words) ?? nothing, step.minutes));
    }
  }
  return [...byWords].map(([what, minutes]) => ({
    kind: 'labour' as const,
    what,
    amount: map(minutes, (x) => Math.round((x * hourly) / 60)),
  }));
}

const costLines = (state: JobState): EstimateLine[] =>
  [...state.costs.values()].flatMap(({ kind, what, amount, dropped }) =>
    dropped ? [] : [{ kind, what, amount: flat(amount) }],
  );

/**
 * Sums up: lines before tax, the total with it, rounded as the shop rounds. Low and high are what it comes to when every
 * step goes well or every step goes badly.
 */
function summed(lines: EstimateLine[], work: readonly Work[], { currency, taxPercent, roundTo }: Rates) {
  const net = lines.reduce((sum, { amount }) => plus(sum, amount), nothing);
  return {
    currency,
    taxPercent,
    lines,
    minutes: work.reduce((sum, { minutes }) => plus(sum, minutes), nothing),
    total: map(net, (x) => roundedTo(x * (1 + taxPercent / 100), roundTo)),
    operations: work.map(({ id }) => id),
  };
}

/** Sides of a practice an owner should hear of, since they decide what is not done. */
const leftOut: readonly [PracticeQuestion, string, string][] = [
  ['pads', 'keep-sound', 'Pads that are sound stay in'],
  ['rims', 'only-faulty', 'Tone-hole rims that are level are not touched'],
  ['tarnish', 'wash-only', 'The surface is washed, not polished'],
];

function leaves(
  input: PlanInput,
  left: readonly { finding: string; reason: string }[],
  state: JobState,
  type: InstrumentType,
) {
  const names = partNames(type);
  const found = left.flatMap(({ finding, reason }) => {
    const known = state.findings.get(finding);
    return known ? [{ what: `${findingTitle(known)}, ${names.get(known.part) ?? known.part}`, why: reason }] : [];
  });
  if (input.scope === 'repair') {
    const why =
      'Only what was found at fault is put right: keys are not refitted, corks and pads not renewed as a set.';
    return [...found, { what: 'Everything else', why }];
  }
  const settings = settingsOf(input.practice, input.settings);
  return [
    ...found,
    ...leftOut.flatMap(([question, side, what]) =>
      settings[question] === side ? [{ what, why: sideWords(question, side).holds }] : [],
    ),
  ];
}

/** One way the job could be done, and what it comes to. */
export interface EstimateOption {
  key: string;
  /** what a job of this practice is for, in one line */
  holds: string;
  /** is this how the job is set now? */
  current: boolean;
  draft: EstimateDraft;
}

/**
 * The ways a job could be done, side by side: each practice as an overhaul, and only what is needed. Done steps count with
 * what they took.
 *
 * @returns none while the shop has not said what an hour costs
 */
export function estimateOptions(state: JobState, type: InstrumentType, shop: ShopState): EstimateOption[] {
  const { rates } = shop;
  if (!rates) return [];
  const input = planInputOf(state, type, customWork(shop));
  const option = (key: string, title: string, holds: string, practice: PracticeName, scope: Scope): EstimateOption => {
    const { settings, ...rest } = input;
    const own = practice === state.practice && settings ? { settings } : {};
    const asked: PlanInput = { ...rest, ...own, practice, scope };
    const { operations, left } = planOverhaul(asked, type);
    const work = operations
      .filter(({ id }) => state.operations.get(id)?.status !== 'skipped')
      .map(({ id, kind, part, stage, minutes }): Work => {
        const done = state.operations.get(id);
        return { id, kind, part, stage, minutes: done?.status === 'done' ? flat(done.minutes) : minutes };
      });
    const lines = [...labourLines(work, rates), ...materialLines(work, state, shop, type), ...costLines(state)];
    const draft = { title, practice, scope, ...summed(lines, work, rates), leaves: leaves(asked, left, state, type) };
    const current = practice === state.practice && scope === state.intake?.scope;
    return { key, holds, current, draft };
  };
  return [
    ...practiceNames.map((name) => option(name, practices[name].title, practices[name].holds, name, 'overhaul')),
    option(
      'needed',
      'Only what is needed',
      'What was found at fault is put right, and nothing else.',
      state.practice,
      'repair',
    ),
  ];
}

/** The estimate that is agreed and stands, with what came after it; null when none is. */
export function agreedEstimate(state: JobState) {
  return (
    [...state.estimates.values()].findLast(
      ({ estimate, answer }) =>
        estimate.body.changeOf === undefined &&
        (answer?.body.answer === 'accepted' || answer?.body.answer === 'changed'),
    ) ?? null
  );
}

/** Work that has come up since the owner agreed, to be agreed before it is done; null when there is none. */
export interface ChangeToAgree {
  draft: EstimateDraft;
  /** what was found, in words */
  because: string[];
  /** steps that are done and have to be looked at again for it */
  again: Step[];
}

/**
 * What has to be agreed before work goes on: steps no agreed estimate names, and what they make to be looked at again.
 */
export function changeToAgree(
  state: JobState,
  type: InstrumentType,
  shop: ShopState,
  plan: JobPlan,
): ChangeToAgree | null {
  const { rates } = shop;
  const agreed = agreedEstimate(state);
  const fresh = plan.steps.filter((step) => step.agreement === 'to-agree' && isOpenStep(step));
  if (!rates || !agreed || fresh.length === 0) return null;
  const freshIds = new Set(fresh.map(({ id }) => id));
  const again = plan.steps.filter((step) => step.again && !freshIds.has(step.id) && isOpenStep(step));
  const work: Work[] = [...fresh, ...again].map(({ id, kind, part, stage, minutes }) => ({
    id,
    kind,
    part,
    stage,
    minutes,
  }));
  const lines = [...labourLines(work, rates), ...materialLines(fresh, state, shop, type)];
  const names = partNames(type);
  const because = [...new Set(fresh.flatMap(({ cures }) => cures))].flatMap((id) => {
    const finding = state.findings.get(id);
    return finding ? [`${findingTitle(finding)}, ${names.get(finding.part) ?? finding.part}`] : [];
  });
  const body = {
    title: 'A change to what was agreed',
    practice: state.practice,
    scope: state.intake?.scope ?? ('repair' as const),
    changeOf: agreed.estimate.body.estimate,
    ...summed(lines, work, rates),
    operations: [...freshIds],
    leaves: [],
    ...(because.length > 0 && { note: `Found since: ${because.join('; ')}.` }),
  };
  return { draft: body, because, again };
}

/** What the steps of an estimate are called, for a page that lets some be left out. */
export function estimateSteps(
  operations: readonly string[],
  type: InstrumentType,
  shop: ShopState,
): { id: string; title: string }[] {
  const names = partNames(type);
  const table = tableWith(customWork(shop)?.operations);
  return operations.map((id) => {
    const at = id.indexOf(':');
    const part = id.slice(at + 1);
    const title = operationTitle(id.slice(0, at), part === wholeInstrument ? '' : (names.get(part) ?? part), table);
    return { id, title };
  });
}
