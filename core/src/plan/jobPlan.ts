import { isOpenStatus } from '../findings';
import { partNames, type InstrumentType } from '../instruments';
import type { FindingState, JobState, OperationState } from '../logbook';
import { measureStateWords, reportedGroups, stateOf, type JobJudgement } from '../judgement';
import type { MeasureGroup } from '../vocabulary';
import { operationKind, type OperationKindName } from './operations';
import { operationTitle, planOverhaul } from './planOverhaul';
import type { PlannedOperation } from './plan.schema';

/** One fresh measure a step asks for, and whether it is there. */
export interface GateCheck {
  group: MeasureGroup;
  part: string;
  open: boolean;
  /** what is missing, in words */
  why: string;
}

export type StepStatus = 'done' | 'skipped' | 'started' | 'curing' | 'ready' | 'waiting';

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
}

export interface JobPlan {
  steps: Step[];
  left: { finding: FindingState; reason: string }[];
  /** the step hands should go to next; null when none is ready */
  next: Step | null;
  minutesLeft: { low: number; likely: number; high: number };
}

/** Groups this version can measure; a gate asks only for what a technician can give it. */
const measurable = new Set<string>(['pad', 'rim', ...reportedGroups]);

/** Findings that ask for work, or asked for it before it was done. */
const planned = (finding: FindingState) =>
  finding.status === 'confirmed' || finding.status === 'cured' || finding.status === 'stop-gap';

/** Parts a wildcard need speaks of: those that were measured in this job or stand under a finding. */
function concernedParts(state: JobState, group: string): string[] {
  const parts = new Set<string>();
  for (const { point } of state.points.values()) if (point.group === group) parts.add(point.part);
  return [...parts];
}

function gateOf(
  operation: PlannedOperation,
  state: JobState,
  judgement: JobJudgement,
  names: ReadonlyMap<string, string>,
): GateCheck[] {
  const checks: GateCheck[] = [];
  for (const need of operation.needs) {
    const [group = '', part = ''] = need.split(':');
    if (!measurable.has(group)) continue;
    for (const concerned of part === '*' ? concernedParts(state, group) : [part]) {
      const found = stateOf(judgement, group, concerned);
      if (found === null) continue;
      const open = found === 'within' || found === 'undecided';
      const place = `${group} of ${names.get(concerned) ?? concerned}`;
      const why = open ? `${place}: ${measureStateWords[found]}` : `${place} is ${measureStateWords[found]}`;
      checks.push({ group: group as MeasureGroup, part: concerned, open, why });
    }
  }
  return checks;
}

/** Was it done, and has no finding it cures been confirmed again since? */
function stillDone(operation: { cures: readonly string[] }, done: OperationState, state: JobState): boolean {
  return operation.cures.every((id) => {
    const finding = state.findings.get(id);
    if (!finding || !isOpenStatus(finding.status)) return true;
    return (state.byId.get(finding.history.at(-1) ?? '')?.seq ?? 0) < done.seq;
  });
}

const after = (iso: string, minutes: number) => new Date(Date.parse(iso) + minutes * 60_000).toISOString();

/**
 * The plan of a job as it stands: the operations its findings and practice ask for, each with its status, what it waits
 * for, which fresh readings its gate wants, and what cures until when.
 *
 * @param now the time at the bench, ISO 8601: decides what is still curing
 */
export function jobPlan(state: JobState, type: InstrumentType, judgement: JobJudgement, now: string): JobPlan {
  const names = partNames(type);
  const findings = [...state.findings.values()].filter(planned);
  const ended = [...state.operations.values()].filter(({ status }) => status === 'done');
  const { operations, left } = planOverhaul({
    family: type.family,
    body: type.body,
    practice: state.practice,
    scope: state.intake?.scope ?? 'repair',
    findings: findings.map(({ finding, kind, part, severity }) => ({ id: finding, kind, part, severity })),
    done: ended.map(({ operation }) => operation),
  });

  const byId = new Map<string, Step>();
  const steps = operations.map((operation): Step => {
    const kind = operation.kind as OperationKindName;
    const { tools, how } = operationKind(kind);
    const opState = state.operations.get(operation.id) ?? null;
    const over =
      opState && (opState.status === 'skipped' || (opState.status === 'done' && stillDone(operation, opState, state)));
    const curing =
      over && opState.status === 'done' && opState.endedAt ? after(opState.endedAt, operation.unattended) : null;
    const curingUntil = curing !== null && curing > now ? curing : null;

    const waitsFor = operation.after.flatMap(({ id, reason }) => {
      const before = byId.get(id);
      if (!before || before.status === 'skipped' || (before.status === 'done' && !before.curingUntil)) return [];
      return [{ id, title: before.title, reason, until: before.curingUntil }];
    });
    const gate = gateOf(operation, state, judgement, names);
    const status = ((): StepStatus => {
      if (over) return curingUntil ? 'curing' : opState.status;
      if (opState?.status === 'started') return 'started';
      return waitsFor.length > 0 || gate.some(({ open }) => !open) ? 'waiting' : 'ready';
    })();
    const title = operationTitle(kind, names.get(operation.part) ?? operation.part);
    const step: Step = { ...operation, title, status, state: opState, waitsFor, gate, curingUntil, tools, how };
    byId.set(step.id, step);
    return step;
  });

  const open = steps.filter(({ status }) => status === 'ready' || status === 'waiting' || status === 'started');
  const sum = (which: 'low' | 'likely' | 'high') => open.reduce((total, { minutes }) => total + minutes[which], 0);
  return {
    steps,
    left: left.flatMap(({ finding, reason }) => {
      const found = state.findings.get(finding);
      return found ? [{ finding: found, reason }] : [];
    }),
    next: steps.find(({ status }) => status === 'started') ?? steps.find(({ status }) => status === 'ready') ?? null,
    minutesLeft: { low: sum('low'), likely: sum('likely'), high: sum('high') },
  };
}
