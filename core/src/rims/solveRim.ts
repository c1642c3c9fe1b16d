import { atMost, circularRuns, clockOf, inClockOrder, leastSquares, sameWithin, toRadians } from '../metrology';
import type { RimInput, RimOutput } from './rim.schema';

const outcome = (value: number, limit: number) => (atMost(value, limit) ? 'within' : 'outside');

/** Ovality and its long axis from diameters: the second harmonic round the clock, LSQ d = m + p·cos2θ + q·sin2θ. */
function fitEllipse(diameters: NonNullable<RimInput['diameters']>): NonNullable<RimOutput['ellipse']> {
  const ordered = inClockOrder(diameters);
  const [mean = 0, p = 0, q = 0] = leastSquares(
    ordered.map(({ clock }) => [1, Math.cos(2 * toRadians(clock)), Math.sin(2 * toRadians(clock))]),
    ordered.map(({ diameter }) => diameter),
    'the ellipse of the hole',
  );
  const doubled = clockOf(p, q);
  return { mean, ovality: 2 * Math.hypot(p, q), longClock: doubled === null ? null : doubled / 2 };
}

function levelling(flatness: number, limit: number, maxRemoval: number | undefined): RimOutput['levelling'] {
  if (atMost(flatness, limit)) return { method: 'none', removal: 0 };
  const method = maxRemoval === undefined || atMost(flatness, maxRemoval) ? 'dress' : 'raise-then-dress';
  return { method, removal: flatness };
}

/**
 * A tone-hole rim from heights round the clock: its tilt, what is left uneven once the tilt is taken out, where it is
 * low, and how to level it. With diameters, also how oval the hole is.
 *
 * Millimetres and degrees. The plane is LSQ h = c + a·cosθ + b·sinθ; tilt is its rise across the rim, 2√(a² + b²);
 * flatness is the range of what remains.
 *
 * @throws Unsolvable when the clock positions do not determine the plane or the ellipse
 */
export function solveRim(input: RimInput): RimOutput {
  const { limits } = input;
  const heights = inClockOrder(input.heights);
  const waves = heights.map(({ clock }) => [1, Math.cos(toRadians(clock)), Math.sin(toRadians(clock))]);
  const [c = 0, a = 0, b = 0] = leastSquares(
    waves,
    heights.map(({ height }) => height),
    'the plane of the rim',
  );
  const residuals = heights.map(({ clock, height }, i) => {
    const [, cos = 0, sin = 0] = waves[i] ?? [];
    return { clock, residual: height - (c + a * cos + b * sin) };
  });
  const values = residuals.map(({ residual }) => residual);
  const flatness = Math.max(...values) - Math.min(...values);
  const tilt = 2 * Math.hypot(a, b);

  const lowSectors = circularRuns(residuals, ({ residual }) => residual < -limits.flatness / 2 - sameWithin)
    .map((run) => ({
      fromClock: run[0]?.clock ?? 0,
      toClock: run.at(-1)?.clock ?? 0,
      depth: -Math.min(...run.map(({ residual }) => residual)),
    }))
    .sort((x, y) => x.fromClock - y.fromClock);

  const ellipse = input.diameters && fitEllipse(input.diameters);
  return {
    meanHeight: c,
    tilt,
    highClock: clockOf(a, b),
    residuals,
    flatness,
    lowSectors,
    levelling: levelling(flatness, limits.flatness, input.stock?.maxRemoval),
    ...(ellipse && { ellipse }),
    verdicts: {
      flatness: outcome(flatness, limits.flatness),
      ...(limits.tilt !== undefined && { tilt: outcome(tilt, limits.tilt) }),
      ...(limits.ovality !== undefined && ellipse && { ovality: outcome(ellipse.ovality, limits.ovality) }),
    },
  };
}
