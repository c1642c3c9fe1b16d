import { normalBelow } from '../metrology';
import { lastOf } from '../steps';
import { heardFrom, quickLoss, type SoundNote } from './leaksByNote';
import type { Slit, SoundTube } from './soundTube';

/** How a note came out when it was played. */
export const heardAs = ['clear', 'fuzzy', 'late', 'silent'] as const;
export type Heard = (typeof heardAs)[number];

/** Between which losses a note is heard so, dB: what is heard is coarse, and so are these. */
const heardBetween: Record<Heard, readonly [number, number]> = {
  clear: [-Infinity, heardFrom],
  fuzzy: [heardFrom, 4],
  late: [4, 9],
  silent: [9, Infinity],
};
/** How a note is heard that is weaker by so much, dB. */
export const heardOf = (loss: number): Heard => heardAs.find((as) => loss < heardBetween[as][1]) ?? 'silent';

/** How surely ear and embouchure place a loss, dB. */
const doubt = 0.8;
/** One note in a hundred is heard as anything at all. */
const slip = 0.01;

/** Gaps that are tried at each place, mm: from what a cigarette paper just feels to a pad that hangs. */
const gaps = [0.02, 0.03, 0.04, 0.055, 0.07, 0.09, 0.12, 0.15, 0.2, 0.3] as const;
/** How far round its rim a leak that nobody has seen is taken to reach, and how deep a pad lies on its rim, mm. */
export const usualReach = 1 / 3;
export const usualLand = 0.8;

/** A place that may leak: a hole with a pad, or a leak of the wall. */
export interface Place {
  id: string;
  /** round the rim, mm */
  around: number;
  /** 0 where nothing is known of it; above 0 where it has been seen to leak, in natural logarithms of the odds */
  prior: number;
}

/** What each leak does to each note, worked out once: one part in so many that the note stands weaker. */
export interface LeakEffects {
  places: readonly Place[];
  notes: readonly SoundNote[];
  /** by place, by gap: of each note, how much its resonance is drained: 0 not at all, 1 to half */
  drains: readonly (readonly (readonly number[])[])[];
}

const drainOf = (loss: number) => 10 ** (loss / 20) - 1;
const lossOfDrain = (drain: number) => 20 * Math.log10(1 + drain);

const slitAt = ({ around }: Place, gap: number): Slit => ({ width: around * usualReach, gap, land: usualLand });

/** How far the walk over the places has come. */
export interface EffectsProgress {
  place: number;
  places: number;
}

/** What a leak at each place does to each note, place by place: the step that takes the time. */
export function* leakEffectsSteps(
  sound: SoundTube,
  notes: readonly SoundNote[],
  places: readonly Place[],
): Generator<EffectsProgress, LeakEffects> {
  const drains: number[][][] = [];
  for (const [i, place] of places.entries()) {
    drains.push(gaps.map((gap) => quickLoss(sound, notes, new Map([[place.id, slitAt(place, gap)]])).map(drainOf)));
    yield { place: i + 1, places: places.length };
  }
  return { places, notes, drains };
}

/** The same in one go. */
export const leakEffects = (...asked: Parameters<typeof leakEffectsSteps>): LeakEffects =>
  lastOf(leakEffectsSteps(...asked));

/** A place that would explain what was heard. */
export interface Suspect {
  place: string;
  /** the gap that would explain it best, mm, a third of the way round its rim */
  gap: number;
  /** is it needed beside those before it, or would it explain a part of it as well? */
  needed: boolean;
}

/** Each leak more has to earn its place: there are fewer instruments with three than with one. */
const priceOfAnother = 1.5;
const mostTogether = 3;
const mostSuspects = 8;

/**
 * Which places would explain how the notes came out: those that are needed together first, then those that would do it
 * alone instead, each with the gap that fits best. Empty where nothing was heard to be wrong.
 *
 * Leaks drain a resonance in parallel, so that their drains add; what was heard weighs as the chance of hearing it so.
 *
 * @param heard by fingering; of a fingering that was not played nothing is taken to be known
 */
export function suspects({ places, notes, drains }: LeakEffects, heard: ReadonlyMap<string, Heard>): Suspect[] {
  const played = notes.flatMap(({ fingering, frequency }, i) => {
    const as = heard.get(fingering.id);
    return as === undefined || frequency === null ? [] : [{ i, between: heardBetween[as] }];
  });
  if (!played.some(({ between }) => between[0] > 0)) return [];
  const likely = (drain: readonly number[]) => {
    let sum = 0;
    for (const { i, between } of played) {
      const loss = lossOfDrain(drain[i] ?? 0);
      const chance = normalBelow((between[1] - loss) / doubt) - normalBelow((between[0] - loss) / doubt);
      sum += Math.log(slip + (1 - slip) * Math.max(0, chance));
    }
    return sum;
  };
  const none = notes.map(() => 0);
  const add = (a: readonly number[], b: readonly number[]) => a.map((drain, i) => drain + (b[i] ?? 0));
  interface Leak {
    place: number;
    gap: number;
  }
  const drainBy = ({ place, gap }: Leak) => drains[place]?.[gap] ?? none;
  const together = (leaks: readonly Leak[]) => leaks.map(drainBy).reduce(add, none);
  const priorOf = (leaks: readonly Leak[]) => leaks.reduce((sum, { place }) => sum + (places[place]?.prior ?? 0), 0);
  const worth = (leaks: readonly Leak[]) => likely(together(leaks)) + priorOf(leaks) - priceOfAnother * leaks.length;

  /** The best leak beside others; null when every place is taken. */
  const best = (beside: readonly Leak[]): { leak: Leak; worth: number } | null => {
    const base = together(beside);
    const fixed = priorOf(beside) - priceOfAnother * (beside.length + 1);
    let found: { leak: Leak; worth: number } | null = null;
    for (const [place, { prior }] of places.entries()) {
      if (beside.some((leak) => leak.place === place)) continue;
      for (const gap of gaps.keys()) {
        const leak = { place, gap };
        const value = likely(add(base, drainBy(leak))) + prior + fixed;
        if (!found || value > found.worth) found = { leak, worth: value };
      }
    }
    return found;
  };

  let chosen: Leak[] = [];
  let value = worth([]);
  while (chosen.length < mostTogether) {
    const next = best(chosen);
    if (!next || next.worth <= value) break;
    chosen = [...chosen, next.leak];
    value = next.worth;
    // One that was right alone may be wrong beside another: each is looked for again with the others in place.
    for (const leak of chosen) {
      const beside = chosen.filter((each) => each !== leak);
      const again = best(beside);
      if (again && again.worth > value + 1e-9) {
        chosen = [...beside, again.leak];
        value = again.worth;
      }
    }
  }
  const silence = worth([]);
  const gain = (leak: Leak) => value - worth(chosen.filter((each) => each !== leak));
  const needed = [...chosen].sort((a, b) => gain(b) - gain(a));
  // Instead of the one that explains most: what would do nearly as well in its place.
  const rest = needed.slice(1);
  const instead = places.flatMap((_, place): { leak: Leak; worth: number }[] => {
    if (chosen.some((leak) => leak.place === place)) return [];
    const all = [...gaps.keys()].map((gap) => {
      const leak = { place, gap };
      return { leak, worth: Math.max(worth([leak]), worth([...rest, leak])) };
    });
    return [all.reduce((a, b) => (b.worth > a.worth ? b : a))];
  });
  instead.sort((a, b) => b.worth - a.worth);
  const suspect = ({ place, gap }: Leak, isNeeded: boolean): Suspect => ({
    place: places[place]?.id ?? '',
    gap: gaps[gap] ?? 0,
    needed: isNeeded,
  });
  return [
    ...needed.map((leak) => suspect(leak, true)),
    ...instead.filter((each) => each.worth > silence).map(({ leak }) => suspect(leak, false)),
  ].slice(0, mostSuspects);
}
