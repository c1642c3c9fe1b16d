import { says } from '../logbook';
import type { Problem } from '../solvers/contract';
import type { ToleranceName } from '../vocabulary';
import { limitShape } from './tolerances';

/** What speaks against a limit of this shape: a figure where a band belongs, a band that runs backwards. */
function limitProblems(name: ToleranceName, limit: number | readonly number[], path: string): Problem[] {
  const band = limitShape(name) === 'band';
  if (band !== Array.isArray(limit))
    return says(path, band ? 'is a band: give its low and its high end' : 'is one limit: give one figure');
  const [low = 0, high = 0] = Array.isArray(limit) ? (limit as readonly number[]) : [];
  return low > high ? says(path, `must not run from ${low} down to ${high}`) : [];
}

/** The same of a whole set of changed limits. */
export const changesProblems = (
  changes: readonly { name: ToleranceName; limit: number | readonly number[] }[],
): Problem[] => changes.flatMap(({ name, limit }, i) => limitProblems(name, limit, `changes/${i}/limit`));
