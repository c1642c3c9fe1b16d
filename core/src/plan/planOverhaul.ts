import {
  keysInTheWay,
  keysOfPart,
  linksOfKeys,
  reachedBy,
  usualDentWidth,
  oncePerType,
  type InstrumentType,
  type WorkSpot,
} from '../instruments';
import { placesOfType } from '../measures';
import { practices, settingsOf } from '../practice';
import type { Family, PracticeQuestion, PracticeSettings } from '../vocabulary';
import {
  coverRules,
  cureRules,
  followRules,
  holds,
  questionsOf,
  standingRules,
  type CureContext,
  type CureRule,
  type RuleCondition,
} from './cureRules';
import {
  shippedOperations,
  tableWith,
  type OperationKind,
  type OperationTable,
  type OperationTurn,
} from './operations';
import { groupOf, orderOperations, type Orderable, type Pin } from './orderOperations';
import type { HandChange, PlanInput, PlanOutput, PlannedOperation } from './plan.schema';

/** Attended time against the same work on a saxophone. */
const familyPace: Record<Family, number> = {
  flute: 0.8,
  piccolo: 0.8,
  clarinet: 0.9,
  oboe: 1.1,
  saxophone: 1,
  other: 1,
};
/** As many keys as the minutes of a strip-down in part were written for. */
const someKeys = 8;
/** Looking over the links takes this share of bringing all of them in, however few were touched. */
const leastOfLinks = 0.15;
const severityPace = [1, 0.7, 1, 1.5] as const;

type Size = NonNullable<PlanInput['size']>;
/** What the minutes of the table were written for. */
const usualSize: Record<Family, Size> = {
  flute: { pads: 17, keys: 17, holes: 17 },
  piccolo: { pads: 15, keys: 15, holes: 15 },
  clarinet: { pads: 17, keys: 17, holes: 24 },
  oboe: { pads: 24, keys: 26, holes: 24 },
  saxophone: { pads: 24, keys: 24, holes: 24 },
  other: { pads: 18, keys: 18, holes: 20 },
};

/** Operations on the instrument as a whole carry this part. */
export const wholeInstrument = 'instrument';

/** The id of an operation: stable from call to call, since it says only what is done and where. */
const operationId = (kind: string, part: string): string => `${kind}:${part}`;

/** Takes an operation id apart again. */
const kindOf = (id: string): string => id.slice(0, id.indexOf(':'));

const partOf = (id: string): string => id.slice(id.indexOf(':') + 1);

const isLocal = ({ title }: OperationKind) => title.includes('{part}');

/**
 * The title of an operation, the part by the name the technician knows it by.
 *
 * @example operationTitle('dress-rim', 'low E') // => "Level the rim: low E"
 */
export const operationTitle = (kind: string, partName: string, table: OperationTable = shippedOperations): string =>
  table.get(kind)?.title.replace('{part}', partName) ?? kind.replaceAll('-', ' ');

/** What the sides of a practice change about an operation. */
export const turnsOf = ({ by = {} }: OperationKind, settings: PracticeSettings): OperationTurn[] =>
  Object.entries(by).flatMap(([key, turn]) => {
    const [question, side] = key.split(':') as [PracticeQuestion, string];
    return turn && settings[question] === side ? [turn] : [];
  });

/** How an operation is done under these settings: its own lines, then those a side of the practice adds. */
export const howLines = (kind: OperationKind, settings: PracticeSettings): string[] => [
  ...kind.how,
  ...turnsOf(kind, settings).flatMap(({ how = [] }) => how),
];

/** How the pads of a part are held; of the whole instrument as most of them are. A flute nobody describes has dry pads. */
function holdOf(family: Family, type: InstrumentType | null, part: string): 'glued' | 'dry' {
  if (!type) return family === 'flute' ? 'dry' : 'glued';
  const own = type.pads.filter(({ hole }) => hole === part);
  const pads = own.length > 0 ? own : type.pads;
  return pads.filter(({ hold }) => hold !== 'adhesive').length * 2 > pads.length ? 'dry' : 'glued';
}

/** An operation as it is done on a part: dry where its pads lie dry. */
export const asDone = (kind: OperationKind, family: Family, type: InstrumentType | null, part: string): OperationKind =>
  kind.dry && holdOf(family, type, part) === 'dry' ? { ...kind, ...kind.dry } : kind;

interface Draft extends Omit<Orderable, 'disturbs'> {
  disturbs: string[];
  severity: number;
  /** spots on the tube it is done at, where they are known */
  spots: WorkSpot[];
  /** keys it is about, where not all of them are */
  keys: string[];
  /** measures its gate asks for, beside those of the table */
  asks: string[];
  cures: string[];
  chosenBy: Set<PracticeQuestion>;
  byHand: boolean;
}

/** Everything a plan is made by: the tables, the sides taken, and what is already behind us. */
interface Planner extends Ground {
  context: Omit<CureContext, 'severity'>;
  table: OperationTable;
  rankOf: ReadonlyMap<string, number>;
  doneIds: ReadonlySet<string>;
}

/** The rule that answers a finding: one that covers it, one of the shop, or one that ships. */
function ruleFor(
  { kind, part, severity, spring, nearSeal, nearFitting }: PlanInput['findings'][number],
  { context, doneIds, type }: Planner,
  own: readonly CureRule[],
): CureRule | undefined {
  const here = {
    ...context,
    severity,
    hold: holdOf(context.family, type, part),
    ...(spring && { spring }),
    ...(nearSeal !== undefined && { nearSeal }),
    ...(nearFitting !== undefined && { nearFitting }),
  };
  const fits = (rule: CureRule) => rule.finding === kind && holds(rule.when, here);
  const covers = (rule: CureRule) =>
    fits(rule) && rule.operations?.every((name) => !doneIds.has(operationId(name, wholeInstrument)));
  return own.find(fits) ?? coverRules.find(covers) ?? cureRules.find(fits);
}

/** The instrument a plan is made for, and every measure `group:part` that there is on it; nothing is known without one. */
interface Ground {
  type: InstrumentType | null;
  measures: ReadonlySet<string>;
}

/** Every measure `group:part` that there is on an instrument. */
const measuresOf = oncePerType(
  (type): ReadonlySet<string> => new Set(placesOfType(type).map(({ group, part }) => `${group}:${part}`)),
);

const isThere = ({ type, measures }: Ground, measure: string): boolean =>
  type === null || measure.endsWith(':*') || measures.has(measure);

/** Measures of the table on this part; on an instrument that is known only those that there are. */
const measuresHere = (ground: Ground, measures: readonly string[], part: string): string[] =>
  measures.map((measure) => measure.replace('{part}', part)).filter((measure) => isThere(ground, measure));

/** What an operation disturbs where it is done: all that is within its reach, and no more than there is. */
function disturbedHere(
  ground: Ground,
  { spreads, disturbs, stage }: OperationKind,
  { part, spots, keys }: Pick<Draft, 'part' | 'spots' | 'keys'>,
): string[] {
  const { type } = ground;
  const own = measuresHere(ground, disturbs, part);
  if (!type) return own;
  const reached = spreads
    ? reachedBy(type, spreads, part, spots).filter((measure) => isThere(ground, measure))
    : keys.length > 0 && stage === 'strip'
      ? padsOf(type, new Set(keys))
      : [];
  const groups = new Set(reached.map(groupOf));
  // What the table could only say of every part is said of those that are reached.
  return [
    ...new Set([...own.filter((measure) => !measure.endsWith(':*') || !groups.has(groupOf(measure))), ...reached]),
  ];
}

class Drafts {
  readonly all = new Map<string, Draft>();
  constructor(private readonly planner: Planner) {}

  /** Lays down what each disturbs, once every place of it is known. */
  settle(): void {
    for (const draft of this.all.values()) {
      const operation = this.planner.table.get(draft.kind);
      if (operation) draft.disturbs = disturbedHere(this.planner, operation, draft);
    }
  }

  /** Adds an operation, or lays one more reason on it. Unknown kinds are passed over. */
  add(kind: string, at: string, severity: number, cures: string | null, when?: RuleCondition): Draft | null {
    const { table, rankOf } = this.planner;
    const operation = table.get(kind);
    if (!operation) return null;
    const part = isLocal(operation) ? at : wholeInstrument;
    const id = operationId(kind, part);
    const draft = this.all.get(id) ?? {
      id,
      stage: operation.stage,
      kind,
      rank: rankOf.get(kind) ?? 0,
      part,
      title: operationTitle(kind, part, table),
      disturbs: [],
      needs: measuresHere(this.planner, operation.needs, part),
      severity: 0,
      spots: [],
      keys: [],
      asks: [],
      cures: [],
      chosenBy: new Set<PracticeQuestion>(),
      byHand: false,
    };
    draft.severity = Math.max(draft.severity, severity);
    if (cures !== null) draft.cures.push(cures);
    for (const question of questionsOf(when)) draft.chosenBy.add(question);
    this.all.set(id, draft);
    return draft;
  }
}

/** How much of the instrument a draft is about: the keys it takes off, the links it has to bring in. */
function shareOf({ kind, keys }: Draft, { type }: Planner): number {
  if (!type || keys.length === 0) return 1;
  if (kind !== 'bring-in-links') return keys.length / someKeys;
  return Math.max(leastOfLinks, linksOfKeys(type, new Set(keys)).length / Math.max(1, type.links.length));
}

/** Attended minutes: the table, the family, how bad it is, how large the instrument, the sides of the practice. */
function minutesOf(draft: Draft, kind: OperationKind, { family, size }: PlanInput, planner: Planner) {
  const grows = kind.scalesWith && size ? size[kind.scalesWith] / usualSize[family][kind.scalesWith] : 1;
  const turned = turnsOf(kind, planner.context.settings).reduce((pace, turn) => pace * (turn.pace ?? 1), 1);
  const share = shareOf(draft, planner);
  const pace = familyPace[family] * (severityPace[draft.severity] ?? 1) * Math.max(0.3, grows) * turned * share;
  const [low, likely, high] = kind.minutes.map((x) => Math.max(1, Math.round(x * pace))) as [number, number, number];
  return { low, likely, high };
}

const pinsOf = (changes: readonly HandChange[]): Pin[] =>
  changes.flatMap(({ operation, before, reason = '' }) =>
    before === undefined ? [] : [{ operation, before, reason }],
  );

/** The keys a step is about: those it takes off, those of its part, all of them where it is about the whole. */
const concernedKeys = ({ keys, part }: Draft, type: InstrumentType): string[] => {
  if (keys.length > 0) return keys;
  return part === wholeInstrument ? type.keys.map(({ id }) => id) : keysOfPart(type, part);
};

/**
 * In a repair only the keys come off that are in the way of the work: their strip-down, the way back, and a look at what
 * the work has moved. Where all have to come off it is the strip-down of an overhaul.
 */
function stripInPart(drafts: Drafts, { context, table, type }: Planner): void {
  if (context.scope !== 'repair') return;
  const off = new Set<string>();
  const moved = new Set<string>();
  let [some, all] = [false, false];
  for (const { kind, part, spots } of drafts.all.values()) {
    const { clears, keysOff, spreads } = table.get(kind) ?? {};
    some ||= clears !== undefined;
    all ||= keysOff === true && clears === undefined;
    if (!type) continue;
    if (clears) for (const key of keysInTheWay(type, clears, part, spots)) off.add(key);
    if (spreads)
      for (const measure of reachedBy(type, spreads, part, spots)) if (groupOf(measure) === 'pad') moved.add(measure);
  }
  all ||= type !== null && type.keys.length > 0 && off.size === type.keys.length;
  if (!some && !all) return;
  // Of an instrument that is known, work with no key in its way takes none off.
  if (!all && type && off.size === 0) return;
  const keys = all ? [] : [...off];
  for (const kind of all ? ['strip', 'assemble', 'check-moved'] : ['strip-some', 'assemble-some', 'check-moved']) {
    const draft = drafts.add(kind, wholeInstrument, 2, null);
    if (!draft) continue;
    draft.keys = keys;
    if (kind === 'check-moved')
      draft.asks = [...moved, ...padsOf(type, all ? null : off)].filter((pad, i, list) => list.indexOf(pad) === i);
  }
}

/** The pads of these keys, of all keys where null, as measures. */
const padsOf = (type: InstrumentType | null, keys: ReadonlySet<string> | null): string[] =>
  (type?.pads ?? []).filter(({ key }) => keys === null || keys.has(key)).map(({ hole }) => `pad:${hole}`);

/**
 * From findings to an ordered overhaul: what is to be done, in which order and why, and what the practice leaves.
 *
 * Minutes are workshop estimates. Every finding is cured by at least one operation or stands in `left`. Deterministic:
 * the same input, in any order of its findings, gives the same plan. Changes made by hand are kept as far as the rules
 * allow; those they do not allow stand in `unkept` with the reason.
 *
 * @param type the instrument, where it is known: then work disturbs what is within its reach and no more, only keys in
 *   the way come off in a repair, pads that lie dry are treated so, and links are brought in where there are any
 */
export function planOverhaul(input: PlanInput, type: InstrumentType | null = null): PlanOutput {
  const { family, body, scope, done = [], custom, byHand = [], spareFinish = false } = input;
  const practice = practices[input.practice];
  const settings = settingsOf(input.practice, input.settings);
  const table = tableWith(custom?.operations);
  const planner: Planner = {
    context: {
      family,
      body,
      scope,
      practice,
      settings,
      spareFinish,
      hold: holdOf(family, type, wholeInstrument),
    },
    table,
    rankOf: new Map([...table.keys()].map((kind, i) => [kind, i])),
    doneIds: new Set(done),
    type,
    measures: type ? measuresOf(type) : new Set(),
  };
  const drafts = new Drafts(planner);
  const left: PlanOutput['left'] = [];

  const always = { ...planner.context, severity: 2 };
  for (const { operation, when } of [...standingRules, ...(custom?.standing ?? [])]) {
    if (holds(when, always)) drafts.add(operation, wholeInstrument, 2, null, when);
  }
  const findings = [...input.findings].sort((a, b) => (a.id < b.id ? -1 : Number(a.id > b.id)));
  for (const finding of findings) {
    const { id, part, severity, curedBy, place, width = usualDentWidth(severity) } = finding;
    const spots = place ? [{ ...place, width }] : [];
    const rule = ruleFor(finding, planner, custom?.cures ?? []);
    const steps = rule?.operations?.filter((name) => table.has(name)) ?? [];
    // What has cured it stays its cure, whatever the practice would choose today; where it is one step of several, the
    // others stay too: doing one never makes another vanish.
    const cured = curedBy === undefined ? null : drafts.add(kindOf(curedBy), partOf(curedBy), severity, id);
    cured?.spots.push(...spots);
    if (cured && !steps.includes(cured.kind)) continue;
    for (const name of steps) drafts.add(name, part, severity, id, rule?.when)?.spots.push(...spots);
    if (steps.length > 0) continue;
    const why = rule?.left ?? 'No step of the table cures this: add one by hand, or a rule in the shop.';
    left.push({ finding: id, reason: why.replace('{practice}', practice.title) });
  }
  for (const id of input.kept ?? []) drafts.add(kindOf(id), partOf(id), 2, null);
  for (const { add } of byHand) {
    const draft = add && drafts.add(add.kind, add.part, 2, null);
    if (draft) draft.byHand = true;
  }
  stripInPart(drafts, planner);
  const hasLinks = type === null || type.links.length > 0;
  for (const { stages, operation } of followRules) {
    const calling = [...drafts.all.values()].filter(({ stage }) => stages.includes(stage));
    if (calling.length === 0 || !hasLinks) continue;
    // An overhaul brings in all of them, a repair those that its work has touched.
    const keys = type && scope === 'repair' ? new Set(calling.flatMap((each) => concernedKeys(each, type))) : null;
    if (type && keys && linksOfKeys(type, keys).length === 0) continue;
    const draft = drafts.add(operation, wholeInstrument, 2, null);
    if (draft && keys) draft.keys = [...keys];
  }
  if (!hasLinks) drafts.all.delete(operationId('bring-in-links', wholeInstrument));
  drafts.settle();

  const { ordered, edges, unkept } = orderOperations([...drafts.all.values()], pinsOf(byHand));
  const reasons = new Map<string, { id: string; reason: string }[]>();
  for (const { before, after, reason } of edges) {
    reasons.set(after, [...(reasons.get(after) ?? []), { id: before, reason }]);
  }
  const byHandMinutes = new Map(byHand.flatMap(({ operation, minutes }) => (minutes ? [[operation, minutes]] : [])));
  const operations = ordered.map((draft): PlannedOperation => {
    const kind = asDone(table.get(draft.kind) as OperationKind, family, type, draft.part);
    const turns = turnsOf(kind, settings);
    return {
      id: draft.id,
      stage: draft.stage,
      kind: draft.kind,
      part: draft.part,
      title: draft.title,
      minutes: byHandMinutes.get(draft.id) ?? minutesOf(draft, kind, input, planner),
      unattended: turns.findLast(({ unattended }) => unattended !== undefined)?.unattended ?? kind.unattended ?? 0,
      after: reasons.get(draft.id) ?? [],
      disturbs: [...draft.disturbs],
      needs: [...draft.needs],
      cautions: [...kind.cautions],
      cures: draft.cures,
      reversible: kind.reversible,
      done: planner.doneIds.has(draft.id),
      resource: kind.resource ?? null,
      chosenBy: [...draft.chosenBy],
      byHand: draft.byHand,
      ...(draft.keys.length > 0 && draft.kind !== 'bring-in-links' && { keys: draft.keys }),
      ...(kind.also && { also: measuresHere(planner, kind.also, draft.part) }),
      ...((kind.asks || draft.asks.length > 0) && {
        asks: measuresHere(planner, [...(kind.asks ?? []), ...draft.asks], draft.part),
      }),
    };
  });
  return { operations, left, unkept };
}

/**
 * What an operation on a part of this instrument makes stale, as measures `group:part`: of a pass of it too, for a pass
 * moves what the whole operation moves.
 */
export function spoiltBy(kind: string, part: string, type: InstrumentType): string[] {
  const operation = shippedOperations.get(kind);
  if (!operation) return [];
  const ground = { type, measures: measuresOf(type) };
  return [
    ...disturbedHere(ground, operation, { part, spots: [], keys: [] }),
    ...measuresHere(ground, operation.also ?? [], part),
  ];
}
