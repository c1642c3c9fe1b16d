import { leastSquaresOf } from '../metrology';
import type { Centre } from './smallestCylinder';

/** A fitted bend: where, its direction across the tube, its steepness, and what it leaves unexplained. */
export interface FittedBend {
  at: number;
  /** change of slope across the bend, or its equal for a bow; mm per mm */
  turnX: number;
  turnY: number;
  squaredError: number;
}

const golden = (Math.sqrt(5) - 1) / 2;
const looksPerGap = 8;
const goldenRounds = 60;

function fit(centres: readonly Centre[], basis: (at: number) => number[], what: string) {
  const rows = centres.map(({ at }) => basis(at));
  const coefficients = leastSquaresOf(rows, [centres.map(({ x }) => x), centres.map(({ y }) => y)], what);
  const squaredError = centres.reduce((sum, centre, i) => {
    const row = rows[i] ?? [];
    const [fx = [], fy = []] = coefficients;
    const left = (axis: number[], value: number) => value - row.reduce((total, b, k) => total + b * (axis[k] ?? 0), 0);
    return sum + left(fx, centre.x) ** 2 + left(fy, centre.y) ** 2;
  }, 0);
  return { coefficients, squaredError };
}

/** Two straight lines that meet at a free place between the second and the last but one station. */
export function fitKink(centres: readonly Centre[]): FittedBend {
  const stations = centres.map(({ at }) => at);
  const [from, to] = [stations[0] ?? 0, stations.at(-1) ?? 0];
  const span = to - from;
  // Scaled to the span: the columns stay comparable, which the rank check relies on.
  const tryAt = (place: number) => {
    const { coefficients, squaredError } = fit(
      centres,
      (at) => [1, (at - from) / span, Math.max(0, at - place) / span],
      'a kink',
    );
    const [fx = [], fy = []] = coefficients;
    return { at: place, turnX: (fx[2] ?? 0) / span, turnY: (fy[2] ?? 0) / span, squaredError };
  };
  const inner = stations.slice(1, -1);
  let best = tryAt(inner[0] ?? from);
  // A place that is not a station must be better by more than rounding.
  const consider = (candidate: FittedBend) => {
    if (candidate.squaredError < best.squaredError * (1 - 1e-9) - 1e-18) best = candidate;
    return candidate;
  };
  for (const place of inner.slice(1)) consider(tryAt(place));
  for (let i = 0; i + 1 < inner.length; i += 1) {
    const [low, high] = [inner[i] ?? 0, inner[i + 1] ?? 0];
    const looks = Array.from({ length: looksPerGap + 1 }, (_, k) => tryAt(low + ((high - low) * k) / looksPerGap));
    const lowest = looks.reduce(
      (least, look, k) => (look.squaredError < (looks[least]?.squaredError ?? 0) ? k : least),
      0,
    );
    let [a, b] = [looks[Math.max(0, lowest - 1)]?.at ?? low, looks[Math.min(looksPerGap, lowest + 1)]?.at ?? high];
    let [c, d] = [b - golden * (b - a), a + golden * (b - a)];
    let [atC, atD] = [tryAt(c).squaredError, tryAt(d).squaredError];
    for (let round = 0; round < goldenRounds && b - a > 1e-9 * span; round += 1) {
      // One of the two inner places serves again: each round asks for one more.
      if (atC < atD) {
        [b, d, atD] = [d, c, atC];
        c = b - golden * (b - a);
        atC = tryAt(c).squaredError;
      } else {
        [a, c, atC] = [c, d, atD];
        d = a + golden * (b - a);
        atD = tryAt(d).squaredError;
      }
    }
    consider(tryAt((a + b) / 2));
  }
  return best;
}

/** A parabola; its turn is the change of slope from end to end. */
export function fitBow(centres: readonly Centre[]): FittedBend {
  const [from, to] = [centres[0]?.at ?? 0, centres.at(-1)?.at ?? 0];
  const [middle, span] = [(from + to) / 2, to - from];
  const { coefficients, squaredError } = fit(
    centres,
    (at) => {
      const z = (at - middle) / span;
      return [1, z, z * z];
    },
    'a bow',
  );
  const [fx = [], fy = []] = coefficients;
  return { at: middle, turnX: (2 * (fx[2] ?? 0)) / span, turnY: (2 * (fy[2] ?? 0)) / span, squaredError };
}
