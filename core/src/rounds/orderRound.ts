import { measuringPoints, unitOfMeasure } from '../measures';
import { downTheTube, type InstrumentType } from '../instruments';
import { pointKey, type MeasuringPoint } from '../readings';
import type { Measure } from '../vocabulary';

/**
 * The points of a round in the order they are walked: all that one gauge takes together, then down the tube, then round
 * the part. As few changes of gauge as there are gauges.
 *
 * @param gaugeOf the gauge each measure is taken with
 */
export function orderRound(
  type: InstrumentType,
  points: readonly MeasuringPoint[],
  gaugeOf: (measure: Measure) => string,
): MeasuringPoint[] {
  const parts = downTheTube(type, [...new Set(points.map(({ part }) => part))].sort());
  const place = new Map(parts.map((part, i) => [part, i]));
  // On a part, in the order the instrument lists its places: a baseline before what it is the baseline of.
  const listed = new Map(measuringPoints(type).map((at, i) => [pointKey({ ...at, clock: at.clock ?? 0 }), i]));
  // Gauges in the order their first point is met down the tube; the leak tester and the force gauge come after lengths.
  const gauges = [...points]
    .sort(
      (a, b) =>
        (place.get(a.part) ?? 0) - (place.get(b.part) ?? 0) || gaugeOf(a.measure).localeCompare(gaugeOf(b.measure)),
    )
    .map(({ measure }) => ({ gauge: gaugeOf(measure), late: unitOfMeasure(measure) === 'mm' ? 0 : 1 }));
  const rank = new Map<string, number>();
  for (const late of [0, 1])
    for (const each of gauges) if (each.late === late && !rank.has(each.gauge)) rank.set(each.gauge, rank.size);
  const keyOf = (point: MeasuringPoint): readonly (number | string)[] => [
    rank.get(gaugeOf(point.measure)) ?? 0,
    place.get(point.part) ?? 0,
    listed.get(pointKey(point)) ?? listed.size,
    point.group,
    point.measure,
    point.at ?? 0,
    point.clock,
  ];
  return points
    .map((point) => ({ point, key: keyOf(point) }))
    .sort((a, b) => {
      for (let i = 0; i < a.key.length; i += 1) {
        const [x, y] = [a.key[i] ?? 0, b.key[i] ?? 0];
        if (x !== y) return x < y ? -1 : 1;
      }
      return 0;
    })
    .map(({ point }) => point);
}
