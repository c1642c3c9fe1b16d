import { airViscosity } from '../metrology';

const mlPerMinute = 1e6 * 60;

/** One place of an annulus: depth along it, radial gap (half the clearance) and mean diameter, mm. */
export interface Ring {
  at: number;
  gap: number;
  diameter: number;
}

/** Abscissae and weights of Gauss–Legendre quadrature with five points on (−1, 1). */
const gauss: readonly (readonly [number, number])[] = [
  [0, 128 / 225],
  [Math.sqrt(5 - 2 * Math.sqrt(10 / 7)) / 3, (322 + 13 * Math.sqrt(70)) / 900],
  [-Math.sqrt(5 - 2 * Math.sqrt(10 / 7)) / 3, (322 + 13 * Math.sqrt(70)) / 900],
  [Math.sqrt(5 + 2 * Math.sqrt(10 / 7)) / 3, (322 - 13 * Math.sqrt(70)) / 900],
  [-Math.sqrt(5 + 2 * Math.sqrt(10 / 7)) / 3, (322 - 13 * Math.sqrt(70)) / 900],
];
/** The integrand goes with 1/h³: pieces over which the gap changes by no more than this are smooth to the rule above. */
const mostGapRatio = 1.15;

/** ∫ dx / (D·h³) over a stretch on which gap and diameter run straight, mm⁻³. */
function resistance(a: Ring, b: Ring): number {
  const length = b.at - a.at;
  const pieces = Math.max(1, Math.ceil(Math.abs(Math.log(b.gap / a.gap)) / Math.log(mostGapRatio)));
  let sum = 0;
  let from = 0;
  for (let piece = 1; piece <= pieces; piece += 1) {
    // Cut so that the gap grows by the same ratio in each piece; where it does not change the cuts are even.
    const gap = a.gap * (b.gap / a.gap) ** (piece / pieces);
    const to = piece === pieces ? 1 : b.gap === a.gap ? piece / pieces : (gap - a.gap) / (b.gap - a.gap);
    for (const [x, weight] of gauss) {
      const share = from + ((to - from) * (1 + x)) / 2;
      const h = a.gap + (b.gap - a.gap) * share;
      const d = a.diameter + (b.diameter - a.diameter) * share;
      sum += (weight * ((to - from) / 2) * length) / (d * h ** 3);
    }
    from = to;
  }
  return sum;
}

/**
 * Air that leaks along a thin annulus, mL/min: laminar flow between parallel walls wrapped round, stations in series,
 * Q = Δp / ∫ 12μ dx / (πDh³). Rings in ascending `at`, all gaps more than 0; pressure in kPa.
 */
export function annulusLeak(rings: readonly Ring[], pressure: number): number {
  const perCubicMm = rings.slice(1).reduce((sum, ring, i) => sum + resistance(rings[i] as Ring, ring), 0);
  // mm⁻³ to m⁻³; Δp in Pa.
  const total = ((12 * airViscosity) / Math.PI) * perCubicMm * 1e9;
  return ((pressure * 1000) / total) * mlPerMinute;
}
