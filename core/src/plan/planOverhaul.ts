import { practices } from '../practice';
import type { Family, FindingKind } from '../vocabulary';
import { cureRules, standingOperations, type CureContext } from './cureRules';
import { operationKind, type OperationKindName } from './operations';
import { orderOperations, type Orderable } from './orderOperations';
import type { PlanInput, PlanOutput, PlannedOperation } from './plan.schema';

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

/** Operations on the instrument as a whole carry this part. */
export const wholeInstrument = 'instrument';

/** The id of an operation: stable from call to call, since it says only what is done and where. */
export const operationId = (kind: OperationKindName, part: string): string => `${kind}:${part}`;

const isLocal = (kind: OperationKindName) => operationKind(kind).title.includes('{part}');

/**
 * The title of an operation, the part by the name the technician knows it by.
 *
 * @example operationTitle('dress-rim', 'low E') // => "Level the rim: low E"
 */
export const operationTitle = (kind: OperationKindName, partName: string): string =>
  operationKind(kind).title.replace('{part}', partName);

interface Draft extends Orderable {
  severity: number;
  cures: string[];
}

const padFaults = new Set<FindingKind>(['pad-worn', 'pad-leaking']);

/** Work of an overhaul that covers a finding wherever it lies, as long as that work is still to come. */
function coveringOperation(
  kind: FindingKind,
  context: CureContext,
  done: ReadonlySet<string>,
): OperationKindName | null {
  if (context.scope !== 'overhaul') return null;
  const covers = (operation: OperationKindName) =>
    done.has(operationId(operation, wholeInstrument)) ? null : operation;
  if (padFaults.has(kind) && context.practice.pads === 'renew-all') return covers('renew-pads');
  if (kind === 'cork-worn') return covers('renew-corks');
  return null;
}

/**
 * From findings to an ordered overhaul: what is to be done, in which order and why, and what the practice leaves.
 *
 * Minutes are workshop estimates. Every finding is cured by at least one operation or stands in `left`. Deterministic:
 * the same input, in any order of its findings, gives the same plan.
 */
export function planOverhaul(input: PlanInput): PlanOutput {
  const { family, body, scope, done = [] } = input;
  const practice = practices[input.practice];
  const doneIds = new Set(done);
  const drafts = new Map<string, Draft>();
  const left: PlanOutput['left'] = [];

  const add = (kind: OperationKindName, at: string, severity: number, cures: string | null) => {
    const part = isLocal(kind) ? at : wholeInstrument;
    const id = operationId(kind, part);
    const { stage, disturbs, needs } = operationKind(kind);
    const here = (measures: readonly string[]) => measures.map((measure) => measure.replace('{part}', part));
    const draft = drafts.get(id) ?? {
      id,
      stage,
      kind,
      part,
      title: operationTitle(kind, part),
      disturbs: here(disturbs),
      needs: here(needs),
      severity: 0,
      cures: [],
    };
    draft.severity = Math.max(draft.severity, severity);
    if (cures !== null) draft.cures.push(cures);
    drafts.set(id, draft);
  };

  for (const kind of standingOperations({ family, body, scope, practice })) add(kind, wholeInstrument, 2, null);
  const findings = [...input.findings].sort((a, b) => (a.id < b.id ? -1 : Number(a.id > b.id)));
  for (const { id, kind, part, severity } of findings) {
    const context: CureContext = { family, body, scope, practice, severity };
    const covering = coveringOperation(kind, context, doneIds);
    const cure = covering ? { operations: [covering] } : cureRules[kind](context);
    if ('left' in cure) left.push({ finding: id, reason: cure.left });
    else for (const operation of cure.operations) add(operation, part, severity, id);
  }
  // Regulation judges linked pads against each other, so touching any pad or link calls for it.
  if ([...drafts.values()].some(({ stage }) => stage === 'pads' || stage === 'holes')) {
    add('bring-in-links', wholeInstrument, 2, null);
  }

  const { ordered, edges } = orderOperations([...drafts.values()]);
  const operations = ordered.map((draft): PlannedOperation => {
    const { minutes, unattended = 0, cautions, reversible } = operationKind(draft.kind);
    const pace = familyPace[family] * (severityPace[draft.severity] ?? 1);
    const [low, likely, high] = minutes.map((x) => Math.max(1, Math.round(x * pace))) as [number, number, number];
    return {
      id: draft.id,
      stage: draft.stage,
      kind: draft.kind,
      part: draft.part,
      title: draft.title,
      minutes: { low, likely, high },
      unattended,
      after: edges.filter(({ after }) => after === draft.id).map(({ before, reason }) => ({ id: before, reason })),
      disturbs: [...draft.disturbs],
      needs: [...draft.needs],
      cautions: [...cautions],
      cures: draft.cures,
      reversible,
      done: doneIds.has(draft.id),
    };
  });
  return { operations, left };
}
