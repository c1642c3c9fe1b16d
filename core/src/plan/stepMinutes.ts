import type { Family } from '../vocabulary';
import { learnedFor } from './learnTimes';
import type { PlanBasis } from './planBasis';
import type { Step } from './step';

/** Looking at a step again is less than doing it: these shares of its minutes, low, likely and high. */
const againShare = { low: 0.2, likely: 0.5, high: 1 } as const;

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
