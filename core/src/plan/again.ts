import { sentBackSince } from '../masterLook';
import { isOpenStatus } from '../findings';
import type { InstrumentType } from '../instruments';
import type { JobState } from '../job';
import type { OperationState } from './operationState';
import { stateOf, type JobJudgement } from '../judgement';
import type { OperationTable } from './operations';
import type { PlannedOperation } from './plan.schema';
import { establishes, spoiltSteps, type Progress, type Spoilt } from './spoilt';
import { checksOf } from './gates';

/** Was it done, has no finding it cures been confirmed again since, and has nobody sent it back? */
export function stillDone(
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
export function stepsAgain(
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
