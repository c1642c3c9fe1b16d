import { exceeds, interpolate, leastSquares, toDegrees } from '../metrology';
import type { BoreInput, BoreOutput } from './bore.schema';

type Station = BoreOutput['stations'][number];
type Feature = BoreOutput['features'][number];

/** Continuous straight pieces through the station means, LSQ, with knots at both ends and at the breaks. */
function fitKnots(stations: readonly { at: number; mean: number }[], breaks: readonly number[]): BoreOutput['knots'] {
  const places = [stations[0]?.at ?? 0, ...[...breaks].sort((a, b) => a - b), stations.at(-1)?.at ?? 0];
  // Each knot's basis is a tent: 1 at the knot, 0 at its neighbours.
  const rows = stations.map(({ at }) =>
    places.map((_, k) =>
      interpolate(
        places.map((place, i) => ({ at: place, value: i === k ? 1 : 0 })),
        at,
      ),
    ),
  );
  const diameters = leastSquares(
    rows,
    stations.map(({ mean }) => mean),
    'the fitted pieces of the bore',
  );
  return places.map((at, k) => ({ at, diameter: diameters[k] ?? 0 }));
}

/** Runs of neighbouring stations for which `beyond` is more than 0; its largest value marks the peak. */
function runs(
  stations: readonly Station[],
  kind: Feature['kind'],
  beyond: (station: Station) => number,
  peakOf: (station: Station) => number,
): Feature[] {
  const found: Feature[] = [];
  let worst = 0;
  let open: Feature | null = null;
  for (const station of stations) {
    const excess = beyond(station);
    if (excess <= 0) {
      open = null;
      continue;
    }
    if (!open) {
      open = { kind, from: station.at, to: station.at, peakAt: station.at, peak: peakOf(station) };
      worst = excess;
      found.push(open);
    }
    open.to = station.at;
    // The first of equals marks the peak.
    if (exceeds(excess, worst)) {
      worst = excess;
      open.peakAt = station.at;
      open.peak = peakOf(station);
    }
  }
  return found;
}

/** Volume of truncated cones between stations, mm³: π·h/12·(d₁² + d₁d₂ + d₂²). */
const volumeOf = (stations: readonly Station[], diameter: (station: Station) => number): number =>
  stations.slice(1).reduce((sum, station, i) => {
    const before = stations[i] as Station;
    const [d1, d2] = [diameter(before), diameter(station)];
    return sum + ((Math.PI * (station.at - before.at)) / 12) * (d1 * d1 + d1 * d2 + d2 * d2);
  }, 0);

/**
 * The bore against its reference: deviation and ovality at each station, where it is narrow, wide or oval, its cones and
 * its volume. Millimetres, degrees, mm³. The reference is given by points, or fitted as straight pieces between breaks.
 *
 * @throws Unsolvable when the stations do not determine the fitted pieces
 */
export function solveBore({ stations: read, reference, limits }: BoreInput): BoreOutput {
  const measured = [...read]
    .sort((a, b) => a.at - b.at)
    .map(({ at, readings }) => {
      const diameters = readings.map(({ diameter }) => diameter);
      const mean = diameters.reduce((sum, d) => sum + d, 0) / diameters.length;
      return { at, mean, ovality: Math.max(...diameters) - Math.min(...diameters) };
    });
  const knots =
    reference.kind === 'points'
      ? reference.points.map(({ at, diameter }) => ({ at, diameter })).sort((a, b) => a.at - b.at)
      : fitKnots(measured, reference.breaks);
  const line = knots.map(({ at, diameter }) => ({ at, value: diameter }));
  const stations = measured.map((station) => {
    const expected = interpolate(line, station.at);
    return { ...station, reference: expected, deviation: station.mean - expected };
  });
  const past = (value: number, limit: number) => (exceeds(value, limit) ? value - limit : 0);
  const kinds = ['narrow', 'wide', 'oval'];
  const features = [
    ...runs(
      stations,
      'narrow',
      (s) => past(-s.deviation, limits.deviation),
      (s) => s.deviation,
    ),
    ...runs(
      stations,
      'wide',
      (s) => past(s.deviation, limits.deviation),
      (s) => s.deviation,
    ),
    ...runs(
      stations,
      'oval',
      (s) => past(s.ovality, limits.ovality),
      (s) => s.ovality,
    ),
  ].sort((a, b) => a.from - b.from || kinds.indexOf(a.kind) - kinds.indexOf(b.kind));
  return {
    stations,
    knots,
    cones: knots.slice(1).map((knot, i) => {
      const before = knots[i] as BoreOutput['knots'][number];
      const taper = (knot.diameter - before.diameter) / (knot.at - before.at);
      return { from: before.at, to: knot.at, taper, halfAngleDegrees: toDegrees(Math.atan(taper / 2)) };
    }),
    features,
    volume: volumeOf(stations, ({ mean }) => mean),
    referenceVolume: volumeOf(stations, (station) => station.reference),
  };
}
