import type { Fingering } from './notes';
import { centsOf } from '../tuning';

/** The registers a fingering is overblown into: the octave, the twelfth. */
const overblown = [1200, 1902];
/** So far from it a note still counts as the overblown one, cents. */
const about = 60;
/** Vents that a register opens, and what it shuts beside them. */
const mostOther = 3;

const differ = (a: ReadonlySet<string>, b: ReadonlySet<string>): number =>
  [...a].filter((hole) => !b.has(hole)).length + [...b].filter((hole) => !a.has(hole)).length;

/**
 * The note that comes out of the same tube when a fingering is overblown, by its id: an octave or a twelfth above, the
 * same holes shut but for the vents of the register. What has none is left out.
 */
export function partnersOf(compass: readonly Fingering[]): Map<string, Fingering> {
  const partners = new Map<string, Fingering>();
  for (const low of compass) {
    let best: { partner: Fingering; differs: number } | null = null;
    for (const high of compass) {
      const apart = centsOf(high.near, low.near);
      if (high.register <= low.register || !overblown.some((each) => Math.abs(apart - each) < about)) continue;
      const differs = differ(low.closed, high.closed);
      if (differs <= mostOther && (!best || differs < best.differs)) best = { partner: high, differs };
    }
    if (best) partners.set(low.id, best.partner);
  }
  return partners;
}
