import { finishWords } from '../findings';
import type { EntryOf, JobState } from '../job';
import { shippedOperations } from '../plan';

/** Work by flame close to a finish. */
const isHeat = (kind: string): boolean => {
  const { cautions = [] } = shippedOperations.get(kind) ?? {};
  return cautions.includes('flame') && cautions.includes('finish');
};

/**
 * What happened to the finish, as its owner should know it: where heat was used and whether what it left was washed off,
 * and what lay over each dent that was found.
 *
 * @param done what was done and stands, in the order it was done
 */
export function finishTold(
  { findings }: JobState,
  done: readonly EntryOf<'operation-done'>[],
  place: (part: string) => string,
): string[] {
  const heat = done.flatMap(({ seq, body: { operation } }) => {
    const [kind = '', part = ''] = operation.split(':');
    if (!isHeat(kind)) return [];
    const washed = done.some((other) => other.seq > seq && other.body.operation === `wash-flux:${part}`);
    return [
      `Heat was used at ${place(part)}; ${washed ? 'residue washed off, the place sealed with wax where it is bare' : 'what it left has not been washed off yet'}. Lacquer beside it may have changed colour.`,
    ];
  });
  const over = [...findings.values()].flatMap(({ dent, part, status }) =>
    dent?.finish === undefined || dent.finish === 'bare' || status === 'declined'
      ? []
      : [`Dent at ${place(part)}: ${finishWords[dent.finish]} over it.`],
  );
  return [...new Set([...heat, ...over])];
}
