import type { InstrumentType } from '../instruments';
import { chanceFrom, soundInstrument, type TrueInstrument } from './trueInstrument';

const hurt = <T extends object>(map: ReadonlyMap<string, T>, part: string, change: Partial<T>) =>
  Object.assign(map.get(part) ?? {}, change);

/** What is wrong now with the made-up instruments of the demo: what its stand-in gauges have to find. */
const faults: Record<string, (truth: TrueInstrument) => void> = {
  'LL-201': (truth) => {
    for (const rim of truth.rims.values()) Object.assign(rim, { tilt: 0.01, saddle: 0.002, dent: 0.003 });
    hurt(truth.rims, 'e', { saddle: 0.1, saddleClock: 70 });
    hurt(truth.tubes, 'body', { bend: { at: 372, clock: 325, degrees: 0.03 } });
    hurt(truth.pads, 'g-sharp', { side: 0.05 });
    hurt(truth.hinges, 'low-b-key', { endPlay: 0.03 });
  },
  'LL-202': (truth) => {
    hurt(truth.pads, 'upper-g', { thickness: 0.02 });
    hurt(truth.pads, 'a', { side: 0.03 });
  },
  'LL-203': (truth) => {
    for (const [joint] of truth.joints) hurt(truth.joints, joint, { clearance: 0.05, taper: 0.02, gouge: 6 });
    for (const [rod] of [...truth.rods].slice(0, 3)) truth.rods.set(rod, 0.06);
    for (const [key] of [...truth.hinges].slice(0, 5)) hurt(truth.hinges, key, { clearance: 0.04, endPlay: 0.09 });
    for (const [section] of [...truth.tubes].slice(1, 2))
      hurt(truth.tubes, section, { dents: [{ at: 120, clock: 0, depth: 0.12, halfWidth: 14 }] });
  },
  'LL-204': (truth) => {
    for (const [post] of [...truth.posts].slice(0, 1)) truth.posts.set(post, { lean: 2.5, lift: 0.2 });
    for (const [joint] of truth.joints) hurt(truth.joints, joint, { clearance: 0.3, squeeze: 0.1 });
    // Bored for a lower pitch than the rest of it.
    for (const hole of ['a-flat', 'f-sharp', 'low-f', 'low-e']) truth.holes.set(hole, -1.6);
  },
};

/** The seed of a ticket: its digits, as the demo has them; any other ticket gets one of its own. */
const seedOf = (ticket: string): number =>
  Number(/\d+/.exec(ticket)?.[0] ?? 0) || [...ticket].reduce((sum, letter) => sum * 31 + letter.charCodeAt(0), 7) % 1e6;

/** The hidden true instrument of a ticket: the same whenever it is asked for. */
export function hiddenInstrument(ticket: string, type: InstrumentType): TrueInstrument {
  const truth = soundInstrument(type, chanceFrom(seedOf(ticket)));
  faults[ticket]?.(truth);
  return truth;
}
