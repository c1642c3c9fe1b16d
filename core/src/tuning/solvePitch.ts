import type { PitchInput, PitchOutput } from './pitch.schema';
import { inputImpedance, topImpedance, tubeOf, type Tube } from './tube';

/** How far from where it is looked for a resonance may lie, cents either way. */
const reach = 600;
/** A resonance of a played tube is wider than this, cents: none slips through. */
const stride = 20;
/** How far a frequency lies from another, cents; positive: above it. */
export const centsOf = (frequency: number, near: number) => 1200 * Math.log2(frequency / near);

interface Sample {
  frequency: number;
  reactance: number;
}
/** Relative: a thousandth of what any ear or tuner tells apart. */
const closeEnough = 1e-12;

/**
 * Where the reactance passes through zero between two samples on its two sides, Hz: false position, with the end that
 * stays behind weighed half (Illinois), so that both ends close in.
 */
function crossing(reactance: (frequency: number) => number, from: Sample, to: Sample): number {
  let [a, b] = [from, to];
  for (let i = 0; i < 80 && Math.abs(b.frequency - a.frequency) > closeEnough * b.frequency; i += 1) {
    const frequency = (a.frequency * b.reactance - b.frequency * a.reactance) / (b.reactance - a.reactance);
    const found = { frequency, reactance: reactance(frequency) };
    if (found.reactance === 0 || frequency === a.frequency || frequency === b.frequency) return frequency;
    if (found.reactance < 0 === b.reactance < 0) {
      a = { frequency: a.frequency, reactance: a.reactance / 2 };
      b = found;
    } else [a, b] = [b, found];
  }
  return b.frequency;
}

/** The resonance nearest to a frequency, Hz; null where none lies within reach. */
export function resonanceNear(tube: Tube, closed: ReadonlySet<string>, near: number): number | null {
  // A reed plays where the impedance is greatest, its reactance falling through zero; an edge where it is least.
  const sign = tube.excitation.kind === 'reed' ? 1 : -1;
  const reactance = (frequency: number) => sign * inputImpedance(tube, closed, frequency).im;
  const sample = (cents: number): Sample => {
    const frequency = near * 2 ** (cents / 1200);
    return { frequency, reactance: reactance(frequency) };
  };
  const between = (below: Sample, above: Sample): number[] =>
    below.reactance > 0 && above.reactance <= 0 ? [crossing(reactance, below, above)] : [];
  // Outward from where it is looked for, both ways at once: what the first ring holds is nearer than anything beyond it.
  let [below, above] = [sample(0), sample(0)];
  for (let cents = stride; cents <= reach; cents += stride) {
    const [lower, upper] = [sample(-cents), sample(cents)];
    const [first, second] = [...between(lower, below), ...between(above, upper)];
    if (first !== undefined)
      return second === undefined || Math.abs(centsOf(first, near)) <= Math.abs(centsOf(second, near)) ? first : second;
    [below, above] = [lower, upper];
  }
  return null;
}

/**
 * What note each fingering gives: the resonance of tube and holes nearest to where it is looked for, how far off it is,
 * and how strong it stands.
 *
 * Millimetres and hertz outside, SI inside. A chain of cylinders with losses at their walls, tone holes by their open
 * and closed lengths, radiation at the end; plane waves only.
 *
 * @throws Unsolvable when a hole lies below the bore, an edge outside it, or an id is unknown or stands twice
 */
export function solvePitch(input: PitchInput): PitchOutput {
  const tube = tubeOf(input);
  return {
    fingerings: input.fingerings.map(({ id, closed, near }) => {
      const shut = new Set(closed);
      const frequency = resonanceNear(tube, shut, near);
      if (frequency === null) return { id, frequency, cents: null, strength: null };
      const { re, im } = inputImpedance(tube, shut, frequency);
      const [size, own] = [Math.hypot(re, im), topImpedance(tube)];
      return {
        id,
        frequency,
        cents: centsOf(frequency, near),
        strength: input.excitation.kind === 'reed' ? size / own : own / size,
      };
    }),
  };
}
