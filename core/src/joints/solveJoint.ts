import { atMost, exceeds, interpolate, sameWithin, Unsolvable, type Sample } from '../metrology';
import { annulusLeak } from './annulusLeak';
import type { JointInput, JointOutput, JointStep } from './joint.schema';

/** An annulus pushed to one side leaks this many times what a centred one does (1 + 1.5·ε² at ε = 1). */
const eccentricFactor = 2.5;
/** A tenon this many times more oval than its limit will not come round. */
const hopelessOvality = 5;
const zones = ['shoulder', 'middle', 'leading'] as const;

type Part = JointInput['tenon'];

const meansOf = (part: Part): Sample[] =>
  part
    .map(({ at, diameters }) => ({ at, value: diameters.reduce((sum, d) => sum + d, 0) / diameters.length }))
    .sort((a, b) => a.at - b.at);

const ovalityOf = (part: Part): number =>
  Math.max(...part.map(({ diameters }) => Math.max(...diameters) - Math.min(...diameters)));

/** Mean of a piecewise straight line over a stretch of it. */
function meanOver(line: readonly Sample[], from: number, to: number): number {
  const places = [from, ...line.map(({ at }) => at).filter((at) => at > from && at < to), to];
  const area = places.slice(1).reduce((sum, at, i) => {
    const before = places[i] ?? from;
    return sum + ((at - before) * (interpolate(line, before) + interpolate(line, at))) / 2;
  }, 0);
  return area / (to - from);
}

const stepsOf = (by: number, step: number | undefined) =>
  step === undefined ? null : Math.ceil(by / step - sameWithin);

/**
 * A metal joint or neck: clearance along its depth, what it leaks, and the pass-by-pass plan that makes it airtight.
 *
 * Millimetres, kPa, mL/min; `at` is the depth from the shoulder, assembled. Clearance is on diameter.
 *
 * @throws Unsolvable when tenon and receiver do not overlap
 */
export function solveJoint(input: JointInput): JointOutput {
  const { limits, pressure = 2.5, tool } = input;
  const [low = 0, high = 0] = limits.clearance;
  const middle = (low + high) / 2;
  const overshoot = tool?.overshoot ?? 0;
  const tenon = meansOf(input.tenon);
  const receiver = meansOf(input.receiver);
  const from = Math.max(tenon[0]?.at ?? 0, receiver[0]?.at ?? 0);
  const to = Math.min(tenon.at(-1)?.at ?? 0, receiver.at(-1)?.at ?? 0);
  if (!exceeds(to, from)) throw new Unsolvable('Tenon and receiver do not overlap: measure both over the same depth.');

  const places = [...tenon, ...receiver]
    .map(({ at }) => at)
    .filter((at) => atMost(from, at) && atMost(at, to))
    .sort((a, b) => a - b)
    .filter((at, i, all) => i === 0 || at - (all[i - 1] ?? 0) > sameWithin);
  const rings = places.map((at) => {
    const [inner, outer] = [interpolate(tenon, at), interpolate(receiver, at)];
    return { at, clearance: outer - inner, diameter: (outer + inner) / 2 };
  });
  const clearances = rings.map(({ at, clearance }) => ({ at, clearance }));
  const values = rings.map(({ clearance }) => clearance);
  const [smallest, largest] = [Math.min(...values), Math.max(...values)];

  const concentric =
    smallest <= 0
      ? 0
      : annulusLeak(
          rings.map(({ at, clearance, diameter }) => ({ at, gap: clearance / 2, diameter })),
          pressure,
        );
  const eccentric = eccentricFactor * concentric;
  const fit = exceeds(largest, high) ? 'loose' : exceeds(low, smallest) ? 'tight' : 'within';
  const tenonOvality = ovalityOf(input.tenon);
  const receiverOvality = ovalityOf(input.receiver);

  const plan: JointStep[] = [];
  if (exceeds(receiverOvality, limits.ovality)) plan.push({ action: 'true-receiver' });
  const hopeless = exceeds(tenonOvality, hopelessOvality * limits.ovality);
  if (hopeless) plan.push({ action: 'replace-tenon' });
  else {
    if (exceeds(tenonOvality, limits.ovality)) plan.push({ action: 'round-tenon' });
    if (fit === 'loose') {
      const line = clearances.map(({ at, clearance }) => ({ at, value: clearance }));
      const third = (to - from) / 3;
      zones.forEach((zone, i) => {
        const mean = meanOver(line, from + i * third, i === 2 ? to : from + (i + 1) * third);
        plan.push({ action: 'expand', zone, by: Math.max(0, mean - middle) + overshoot });
      });
      if (overshoot > 0 && tool?.shrinkStep !== undefined) {
        plan.push({ action: 'shrink', by: overshoot, steps: stepsOf(overshoot, tool.shrinkStep) });
      }
      plan.push({ action: 'lap' });
    } else if (fit === 'tight') {
      const by = middle - smallest;
      plan.push({ action: 'shrink', by, steps: stepsOf(by, tool?.shrinkStep) }, { action: 'lap' });
    }
  }
  return {
    clearances,
    tenonOvality,
    receiverOvality,
    leak: { concentric, eccentric },
    verdict: atMost(eccentric, limits.leak) ? 'airtight' : 'leaks',
    fit,
    plan,
  };
}
