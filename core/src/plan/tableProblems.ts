import { stages } from '../vocabulary';
import type { OperationTable } from './operations';
import { groupOf } from './orderOperations';

/**
 * What is wrong with a table of operations as a whole: a step that needs a measure which a later step may disturb would
 * have to be done twice. Looked at by groups, so that it holds for every instrument and every set of findings.
 *
 * @returns one sentence for each fault; none when the table is sound
 */
export function tableProblems(table: OperationTable): string[] {
  const kinds = [...table].map(([kind, operation], rank) => ({
    ...operation,
    kind,
    at: stages.indexOf(operation.stage) * 10_000 + rank,
  }));
  return kinds.flatMap((needy) =>
    needy.needs.flatMap((need) => {
      const later = kinds.find(
        ({ at, disturbs }) => at > needy.at && disturbs.some((measure) => groupOf(measure) === groupOf(need)),
      );
      return later
        ? [`“${needy.kind}” needs ${groupOf(need)} readings, which “${later.kind}” disturbs later in the order.`]
        : [];
    }),
  );
}
