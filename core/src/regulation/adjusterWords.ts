import type { InstrumentType } from '../instruments';
import { length, phrase, stock, type Phrase } from '../units';

type AdjusterKind = InstrumentType['links'][number]['adjuster'];

/** Sixteenths of a turn as a bench says them. */
function turnOf(sixteenths: number): string {
  const whole = Math.floor(sixteenths / 16);
  const rest = sixteenths % 16;
  const shares: Record<number, string> = {
    1: 'a sixteenth',
    2: 'an eighth',
    4: 'a quarter',
    8: 'half a turn',
    12: 'three quarters',
  };
  const part = rest === 0 ? '' : (shares[rest] ?? `${rest} sixteenths`);
  if (whole === 0) return part;
  const turns = whole === 1 ? 'one turn' : `${whole} turns`;
  return part === '' ? turns : `${turns} and ${part}`;
}

/**
 * What to do at an adjuster, in the words of its kind.
 *
 * @param steps more than 0: the follower is to land later
 * @param change by how much, mm at the follower’s pad
 */
export function adjusterWords(kind: AdjusterKind, steps: number, change: number): Phrase {
  const later = steps > 0;
  const by = stock(Math.abs(change));
  switch (kind) {
    case 'screw':
      return phrase`Turn the screw ${turnOf(Math.abs(steps))} ${later ? 'out' : 'in'}.`;
    case 'arm':
      return phrase`${later ? 'Lift' : 'Press'} the arm by about ${by}, the cup held firm.`;
    case 'cork':
    case 'felt':
      return later ? phrase`Shave the ${kind} by about ${by}.` : phrase`Put paper of about ${by} behind the ${kind}.`;
    case 'paper':
      return later ? phrase`Take out about ${by} of paper.` : phrase`Add about ${by} of paper.`;
    case 'fixed':
      return phrase`It cannot be set: bend or ease by about ${by}, the cup held firm.`;
  }
}

/**
 * What to watch at an adjuster that is to be set: bent metal drifts back, and what had to be set the same way before does
 * not hold.
 *
 * @param settings how it was set until now, oldest first
 * @param change by how much it is to be set now, mm
 */
export function driftWords(
  kind: AdjusterKind,
  settings: readonly { change: number }[],
  change: number,
): Phrase | undefined {
  const other = settings.findLastIndex((each) => Math.sign(each.change) !== Math.sign(change));
  const times = settings.length - 1 - other;
  const way = change < 0 ? 'earlier' : 'later';
  if (times > 0 && kind === 'arm')
    return phrase`Set ${way} ${timesWords(times)} already: the arm drifts back. Look for what it gives under, and whether the metal is tired.`;
  if (times > 1) return phrase`Set ${way} ${timesWords(times)} already: it does not hold. See what gives.`;
  return kind === 'arm' ? phrase`A bent arm drifts back in use: look again after playing it in.` : undefined;
}
const timesWords = (times: number) => (times === 1 ? 'once' : times === 2 ? 'twice' : `${times} times`);

/** All settings of one adjuster taken together; an adjuster that was set again and again does not hold. */
export function adjustedWords(place: string, settings: readonly { change: number }[]): Phrase {
  const change = settings.reduce((sum, each) => sum + each.change, 0);
  const times = settings.length === 1 ? '' : `, in ${settings.length} settings`;
  if (Math.abs(change) < 1e-6) return phrase`${place}: set and set back${times}`;
  return phrase`${place}: the follower ${length(Math.abs(change))} ${change < 0 ? 'earlier' : 'later'}${times}`;
}
