import type { Fingering } from './notes';
import { centsOf } from '../tuning';

/** Farther from every name nobody can say which note was meant, cents. */
const nearest = 70;

/** A pitch taken for a note, and how far it is from its name. */
export interface NamedPitch {
  fingering: Fingering;
  cents: number;
}

/**
 * The note a pitch is taken for: the nearest name of the compass, its main fingering, for an ear cannot tell which way it
 * was fingered. Null where nothing is near.
 *
 * @param asked the fingering that was asked for; taken wherever the pitch is near enough to its name
 */
export function whichNote(frequency: number, compass: readonly Fingering[], asked?: Fingering): NamedPitch | null {
  const named = (fingering: Fingering): NamedPitch => ({ fingering, cents: centsOf(frequency, fingering.near) });
  if (asked && Math.abs(named(asked).cents) <= nearest) return named(asked);
  let best: NamedPitch | null = null;
  for (const fingering of compass) {
    const each = named(fingering);
    // The main fingering of a note stands before its alternatives.
    if (Math.abs(each.cents) <= nearest && (!best || Math.abs(each.cents) < Math.abs(best.cents))) best = each;
  }
  return best;
}
