import { atMost, exceeds } from '../metrology';
import type { SpringInput, SpringMoment, SpringOutput } from './spring.schema';

/** A spring that is bent to this share of its yield strength or less does not tire, a workshop default. */
const workingShare = 0.6;
const mpaPerGpa = 1000;

/** A cantilever: what its section resists with, and how far its skin lies from its middle, mm⁴ and mm. */
interface Section {
  inertia: number;
  skin: number;
}
const sectionOf = ({ kind, width = 0 }: SpringInput, size: number): Section =>
  kind === 'needle'
    ? { inertia: (Math.PI * size ** 4) / 64, skin: size / 2 }
    : { inertia: (width * size ** 3) / 12, skin: size / 2 };

/** Force at the catch and stress at the root of a cantilever bent by δ at its end: F = 3EIδ/L³, σ = F·L·c/I. */
function momentAt(input: SpringInput, { inertia, skin }: Section, deflection: number): SpringMoment {
  const { modulus, length, catchRadius, touchRadius, padRadius } = input;
  const force = (3 * modulus * mpaPerGpa * inertia * deflection) / length ** 3;
  return {
    catch: force,
    touch: (force * catchRadius) / touchRadius,
    pad: (force * catchRadius) / padRadius,
    stress: (force * length * skin) / inertia,
  };
}

/**
 * A key's spring as a cantilever: the force it gives at touch and pad, how hard it is bent, how to set it, and which of
 * the stock would do.
 *
 * Newtons, millimetres, GPa and MPa. Plain beam theory (Euler–Bernoulli, small deflections). `choose` takes the
 * smallest size that, set to the middle of the limits, stays at 0.6 of its yield strength at full motion.
 */
export function solveSpring(input: SpringInput): SpringOutput {
  const { preset, travel, limits, stock = [], catchRadius, touchRadius } = input;
  const [low = 0, high = 0] = limits.touch;
  const section = sectionOf(input, (input.kind === 'needle' ? input.diameter : input.thickness) ?? 0);
  const rest = momentAt(input, section, preset);
  const full = momentAt(input, section, preset + travel);
  const wanted = (((low + high) / 2) * touchRadius) / catchRadius;
  const presetFor = (of: Section) => wanted / momentAt(input, of, 1).catch;
  const [choose = null] = [...stock]
    .sort((a, b) => a - b)
    .flatMap((size) => {
      const own = sectionOf(input, size);
      const set = presetFor(own);
      const { stress } = momentAt(input, own, set + travel);
      return atMost(stress, workingShare * input.yield) ? [{ size, preset: set, safety: input.yield / stress }] : [];
    });
  return {
    rest,
    full,
    safety: input.yield / full.stress,
    verdict: exceeds(low, rest.touch) ? 'light' : exceeds(rest.touch, high) ? 'heavy' : 'within',
    setPreset: presetFor(section),
    choose,
  };
}
