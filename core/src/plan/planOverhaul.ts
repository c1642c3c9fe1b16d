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
import { orderOperations, type Orderable, type Pin } from './orderOperations';
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
export const operationId = (kind: string, part: string): string => `${kind}:${part}`;

/** Takes an operation id apart again. */
export const kindOf = (id: string): string => id.slice(0, id.indexOf(':'));

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

interface Draft extends Orderable {
  severity: number;
  cures: string[];
  chosenBy: Set<PracticeQuestion>;
  byHand: boolean;
}

/** Everything a plan is made by: the tables, the sides taken, and what is already behind us. */
interface Planner {
  context: Omit<CureContext, 'severity'>;
  table: OperationTable;
  rankOf: ReadonlyMap<string, number>;
  doneIds: ReadonlySet<string>;
}

/** The rule that answers a finding: one that covers it, one of the shop, or one that ships. */
function ruleFor(
  { kind, severity, spring }: PlanInput['findings'][number],
  { context, doneIds }: Planner,
  own: readonly CureRule[],
): CureRule | undefined {
  const fits = (rule: CureRule) =>
    rule.finding === kind && holds(rule.when, { ...context, severity, ...(spring && { spring }) });
  const covers = (rule: CureRule) =>
    fits(rule) && rule.operations?.every((name) => !doneIds.has(operationId(name, wholeInstrument)));
  return own.find(fits) ?? coverRules.find(covers) ?? cureRules.find(fits);
}

class Drafts {
  readonly all = new Map<string, Draft>();
  constructor(private readonly planner: Planner) {}

  /** Adds an operation, or lays one more reason on it. Unknown kinds are passed over. */
  add(kind: string, at: string, severity: number, cures: string | null, when?: RuleCondition): Draft | null {
    const { table, rankOf } = this.planner;
    const operation = table.get(kind);
    if (!operation) return null;
    const part = isLocal(operation) ? at : wholeInstrument;
    const id = operationId(kind, part);
    const here = (measures: readonly string[]) => measures.map((measure) => measure.replace('{part}', part));
    const draft = this.all.get(id) ?? {
      id,
      stage: operation.stage,
      kind,
      rank: rankOf.get(kind) ?? 0,
      part,
      title: operationTitle(kind, part, table),
      disturbs: here(operation.disturbs),
      needs: here(operation.needs),
      severity: 0,
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

/** Attended minutes: the table, the family, how bad it is, how large the instrument, the sides of the practice. */
function minutesOf(draft: Draft, kind: OperationKind, { family, size }: PlanInput, turns: readonly OperationTurn[]) {
  const grows = kind.scalesWith && size ? size[kind.scalesWith] / usualSize[family][kind.scalesWith] : 1;
  const turned = turns.reduce((pace, turn) => pace * (turn.pace ?? 1), 1);
  const pace = familyPace[family] * (severityPace[draft.severity] ?? 1) * Math.max(0.3, grows) * turned;
  const [low, likely, high] = kind.minutes.map((x) => Math.max(1, Math.round(x * pace))) as [number, number, number];
  return { low, likely, high };
}

const pinsOf = (changes: readonly HandChange[]): Pin[] =>
  changes.flatMap(({ operation, before, reason = '' }) =>
    before === undefined ? [] : [{ operation, before, reason }],
  );

/**
 * From findings to an ordered overhaul: what is to be done, in which order and why, and what the practice leaves.
 *
 * Minutes are workshop estimates. Every finding is cured by at least one operation or stands in `left`. Deterministic:
 * the same input, in any order of its findings, gives the same plan. Changes made by hand are kept as far as the rules
 * allow; those they do not allow stand in `unkept` with the reason.
 */
export function planOverhaul(input: PlanInput): PlanOutput {
  const { family, body, scope, done = [], custom, byHand = [] } = input;
  const practice = practices[input.practice];
  const settings = settingsOf(input.practice, input.settings);
  const table = tableWith(custom?.operations);
  const planner: Planner = {
    context: { family, body, scope, practice, settings },
    table,
    rankOf: new Map([...table.keys()].map((kind, i) => [kind, i])),
    doneIds: new Set(done),
  };
  const drafts = new Drafts(planner);
  const left: PlanOutput['left'] = [];

  const always = { ...planner.context, severity: 2 };
  for (const { operation, when } of [...standingRules, ...(custom?.standing ?? [])]) {
    if (holds(when, always)) drafts.add(operation, wholeInstrument, 2, null, when);
  }
  const findings = [...input.findings].sort((a, b) => (a.id < b.id ? -1 : Number(a.id > b.id)));
  for (const finding of findings) {
    const { id, part, severity, curedBy } = finding;
    const rule = ruleFor(finding, planner, custom?.cures ?? []);
    const steps = rule?.operations?.filter((name) => table.has(name)) ?? [];
    // What has cured it stays its cure, whatever the practice would choose today; where it is one step of several, the
    // others stay too: doing one never makes another vanish.
    if (curedBy !== undefined && drafts.add(kindOf(curedBy), partOf(curedBy), severity, id)) {
      if (!steps.includes(kindOf(curedBy))) continue;
    }
    for (const name of steps) drafts.add(name, part, severity, id, rule?.when);
    if (steps.length > 0) continue;
    const why = rule?.left ?? 'No step of the table cures this: add one by hand, or a rule in the shop.';
    left.push({ finding: id, reason: why.replace('{practice}', practice.title) });
  }
  for (const id of input.kept ?? []) drafts.add(kindOf(id), partOf(id), 2, null);
  for (const { add } of byHand) {
    const draft = add && drafts.add(add.kind, add.part, 2, null);
    if (draft) draft.byHand = true;
  }
  for (const { stages, operation } of followRules) {
    if ([...drafts.all.values()].some(({ stage }) => stages.includes(stage)))
      drafts.add(operation, wholeInstrument, 2, null);
  }

  const { ordered, edges, unkept } = orderOperations([...drafts.all.values()], pinsOf(byHand));
  const reasons = new Map<string, { id: string; reason: string }[]>();
  for (const { before, after, reason } of edges) {
    reasons.set(after, [...(reasons.get(after) ?? []), { id: before, reason }]);
  }
  const byHandMinutes = new Map(byHand.flatMap(({ operation, minutes }) => (minutes ? [[operation, minutes]] : [])));
  const operations = ordered.map((draft): PlannedOperation => {
    const kind = table.get(draft.kind) as OperationKind;
    const turns = turnsOf(kind, settings);
    return {
      id: draft.id,
      stage: draft.stage,
      kind: draft.kind,
      part: draft.part,
      title: draft.title,
      minutes: byHandMinutes.get(draft.id) ?? minutesOf(draft, kind, input, turns),
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
    };
  });
  return { operations, left, unkept };
}
