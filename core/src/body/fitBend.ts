import { leastSquares, Unsolvable } from '../metrology';
import type { Centre } from './smallestCylinder';

/** A fitted bend: where, its direction across the tube, its steepness, and what it leaves unexplained. */
export interface FittedBend {
  at: number;
  /** change of slope across the bend, or its equal for a bow; mm per mm */
  turnX: number;
  turnY: number;
  squaredError: number;
}

const dot = (a: readonly number[], b: readonly number[]) => a.reduce((sum, value, i) => sum + value * (b[i] ?? 0), 0);

/** Takes the straight line through values at places `t` out of them, by least squares. */
function withoutLine(t: readonly number[]): (values: readonly number[]) => number[] {
  const mean = dot(
    t,
    t.map(() => 1 / t.length),
  );
  const arm = t.map((each) => each - mean);
  const armSquared = dot(arm, arm);
  return (values) => {
    const middle = values.reduce((sum, value) => sum + value, 0) / values.length;
    const slope = dot(arm, values) / armSquared;
    return values.map((value, i) => value - middle - slope * (arm[i] ?? 0));
  };
}

/** The places where (n0 + n1·c + n2·c²) / (d0 + d1·c + d2·c²) stands still: the roots of one quadratic. */
function stationaryPlaces([n0, n1, n2]: Quadratic, [d0, d1, d2]: Quadratic): number[] {
  const c = n1 * d0 - n0 * d1;
  const b = 2 * (n2 * d0 - n0 * d2);
  const a = n2 * d1 - n1 * d2;
  const inside = b * b - 4 * a * c;
  if (!(inside >= 0)) return [];
  // The root that adds loses no digits; the other follows from the product of both.
  const q = -(b + (b < 0 ? -1 : 1) * Math.sqrt(inside)) / 2;
  return [q / a, c / q].filter(Number.isFinite);
}
type Quadratic = [number, number, number];

/**
 * Two straight lines that meet at a free place between the second and the last but one station.
 *
 * Between two stations the ramp max(0, at − c) is linear in the place c of the kink, so what the kink explains beyond one
 * straight line is a ratio of two quadratics in c: its best place is a station or a root of one quadratic. No search.
 *
 * @throws Unsolvable when the stations do not determine a kink
 */
export function fitKink(centres: readonly Centre[]): FittedBend {
  const from = centres[0]?.at ?? 0;
  const span = (centres.at(-1)?.at ?? 0) - from;
  // Scaled to the span, so that a long tube costs no digits.
  const t = centres.map(({ at }) => (at - from) / span);
  const rest = withoutLine(t);
  const [x, y] = [rest(centres.map((centre) => centre.x)), rest(centres.map((centre) => centre.y))];

  const tryAt = (place: number): FittedBend => {
    const ramp = rest(t.map((each) => Math.max(0, each - place)));
    const size = dot(ramp, ramp);
    // Written so that NaN, from figures that overflowed or stations all at one place, fails too.
    if (!(size > 1e-20)) throw new Unsolvable('The samples do not determine a kink: take more, at other positions.');
    const [turnX, turnY] = [dot(x, ramp) / size, dot(y, ramp) / size];
    const squaredError = ramp.reduce(
      (sum, r, i) => sum + ((x[i] ?? 0) - turnX * r) ** 2 + ((y[i] ?? 0) - turnY * r) ** 2,
      0,
    );
    return { at: from + place * span, turnX: turnX / span, turnY: turnY / span, squaredError };
  };

  const inner = t.slice(1, -1);
  const candidates = inner.slice(1);
  for (let i = 0; i + 1 < inner.length; i += 1) {
    const [low, high] = [inner[i] ?? 0, inner[i + 1] ?? 0];
    const far = (value: (each: number) => number) => rest(t.map((each) => (each >= high ? value(each) : 0)));
    // The ramp is `slopes` − c·`steps`.
    const [slopes, steps] = [far((each) => each), far(() => 1)];
    const explained = [x, y].map((axis) => [dot(axis, slopes), dot(axis, steps)] as const);
    const sum = (of: (onSlopes: number, onSteps: number) => number) =>
      explained.reduce((total, [onSlopes, onSteps]) => total + of(onSlopes, onSteps), 0);
    const places = stationaryPlaces(
      [sum((a) => a * a), sum((a, b) => -2 * a * b), sum((_, b) => b * b)],
      [dot(slopes, slopes), -2 * dot(slopes, steps), dot(steps, steps)],
    );
    candidates.push(...places.filter((place) => place > low && place < high));
  }
  let best = tryAt(inner[0] ?? 0);
  for (const place of candidates) {
    const found = tryAt(place);
    // A place that is not a station must be better by more than rounding.
    if (found.squaredError < best.squaredError * (1 - 1e-9) - 1e-18) best = found;
  }
  return best;
}

/** A parabola; its turn is the change of slope from end to end. */
export function fitBow(centres: readonly Centre[]): FittedBend {
  const [from, to] = [centres[0]?.at ?? 0, centres.at(-1)?.at ?? 0];
  const [middle, span] = [(from + to) / 2, to - from];
  const rows = centres.map(({ at }) => {
    const z = (at - middle) / span;
    return [1, z, z * z];
  });
  const fit = (values: readonly number[]) => {
    const coefficients = leastSquares(rows, values, 'a bow');
    const left = values.map((value, i) => value - dot(rows[i] ?? [], coefficients));
    return { turn: (2 * (coefficients[2] ?? 0)) / span, squaredError: dot(left, left) };
  };
  const [x, y] = [fit(centres.map((centre) => centre.x)), fit(centres.map((centre) => centre.y))];
  return { at: middle, turnX: x.turn, turnY: y.turn, squaredError: x.squaredError + y.squaredError };
}
