import { atMost, exceeds, toDegrees } from '../metrology';
import type { FitVerdict, HingeInput, HingeOutput, HingeRemedy } from './hinge.schema';

interface Band {
  low: number;
  high: number;
  middle: number;
}

const bandOf = ([low = 0, high = 0]: readonly number[]): Band => ({ low, high, middle: (low + high) / 2 });
const inside = (value: number, { low, high }: Band) => atMost(low, value) && atMost(value, high);

function judge(value: number, { low, high }: Band): FitVerdict {
  if (exceeds(low, value)) return 'tight';
  return exceeds(value, high) ? 'loose' : 'within';
}

/**
 * Squeezing a hinge tube on its rod: the metal keeps its volume over the squeezed zone, so a tube that gets longer gets
 * thinner. How far it must go, and whether the reduction is one the tube can take.
 */
function swageFor(input: HingeInput, swage: NonNullable<HingeInput['swage']>, tooMuchPlay: number, clearance: Band) {
  const { outer, inner } = input.tube;
  const { zone, maxReduction, facing = 0.05 } = swage;
  const lengthen = tooMuchPlay + facing;
  const newInner = Math.min(inner, input.rod.diameter + clearance.middle);
  const metal = outer * outer - inner * inner;
  const newOuter = Math.sqrt(newInner * newInner + (metal * zone) / (zone + lengthen));
  const reduction = 1 - newOuter / outer;
  // At the greatest allowed reduction the tube may be so small already that length has no bound.
  const leftOver = (outer * (1 - maxReduction)) ** 2 - newInner * newInner;
  return {
    action: 'swage' as const,
    lengthen,
    newInner,
    newOuter,
    reduction,
    feasible: atMost(reduction, maxReduction),
    mostLengthen: leftOver > 0 ? zone * (metal / leftOver - 1) : null,
    thenFace: facing,
  };
}

/** One or two stock washers that bring the end play within limits, nearest the middle, the fewer the better. */
function washersFor(endPlay: number, band: Band, stock: readonly number[]): HingeRemedy | null {
  const thickestFirst = [...new Set(stock)].sort((a, b) => b - a);
  const choices = [
    ...thickestFirst.map((piece) => [piece]),
    ...thickestFirst.flatMap((first, i) => thickestFirst.slice(i).map((second) => [first, second])),
  ];
  let best: { pieces: number[]; endPlayAfter: number } | null = null;
  for (const pieces of choices) {
    const endPlayAfter = endPlay - pieces.reduce((sum, piece) => sum + piece, 0);
    if (!inside(endPlayAfter, band)) continue;
    const off = Math.abs(endPlayAfter - band.middle);
    // Choices of one piece come first, so a tie keeps the fewer.
    if (best === null || exceeds(Math.abs(best.endPlayAfter - band.middle), off)) best = { pieces, endPlayAfter };
  }
  return best && { action: 'washers', ...best };
}

/**
 * A key on its rod between its posts: how it fits, how far its pad wanders, and what would cure it.
 *
 * Millimetres and degrees. Targets are the middles of the limits.
 */
export function solveHinge(input: HingeInput): HingeOutput {
  const { tube, rod, posts, arm, bearing = tube.length, swage, stock, washersAllowed = false } = input;
  const [clearanceBand, playBand] = [bandOf(input.limits.clearance), bandOf(input.limits.endPlay)];
  const clearance = tube.inner - rod.diameter;
  const endPlay = posts.gap - tube.length;
  const slope = clearance < 0 ? 0 : clearance / bearing;
  const verdicts = { clearance: judge(clearance, clearanceBand), endPlay: judge(endPlay, playBand) };

  const remedies: HingeRemedy[] = [];
  if (verdicts.clearance === 'tight') remedies.push({ action: 'ream', amount: clearanceBand.middle - clearance });
  if (verdicts.endPlay === 'tight') remedies.push({ action: 'face', amount: playBand.middle - endPlay });
  let closed = false;
  if (verdicts.endPlay === 'loose') {
    const squeezed = swage ? swageFor(input, swage, endPlay - playBand.middle, clearanceBand) : null;
    if (squeezed) remedies.push(squeezed);
    closed = squeezed?.feasible ?? false;
    if (!closed) {
      const washers = washersAllowed ? washersFor(endPlay, playBand, stock?.washers ?? []) : null;
      remedies.push(washers ?? { action: 'sleeve' });
    }
  }
  if (verdicts.clearance === 'loose' && !closed) {
    if (swage) remedies.push({ action: 'swage', newInner: rod.diameter + clearanceBand.middle });
    const fitting = (stock?.rods ?? []).filter((diameter) => inside(tube.inner - diameter, clearanceBand));
    if (fitting.length > 0) remedies.push({ action: 'oversize-rod', diameter: Math.min(...fitting) });
  }
  return {
    clearance,
    endPlay,
    rockDegrees: toDegrees(Math.atan(slope)),
    padWander: slope * arm.length,
    verdicts,
    remedies,
  };
}
