'use client';

import {
  gaugeStandardUncertainty,
  printQuantity,
  unitOfMeasure,
  type LengthUnit,
  type PointReading,
} from '@holotonos/core';
import { useWhen } from '@/frame/BenchContext';

/** Every reading of one place: as typed, with what, by whom, in what air, and whether it is still true. */
export function ReadingsHere({ point, unit, where }: { point: PointReading; unit: LengthUnit; where: string }) {
  const { momentText } = useWhen();
  const own = unitOfMeasure(point.point.measure);
  const all = [...point.stale, ...point.fresh];
  if (all.length === 0) return null;
  return (
    <details className="mt-2">
      <summary>
        {all.length === 1 ? 'The reading' : `The ${all.length} readings`} at {where}
      </summary>
      <ul className="list-plain mt-1">
        {all.map(({ entry, value, typed, gauge, author, benchTime, temperature, humidity, stale }) => (
          <li key={entry} className="mb-1">
            <strong>{printQuantity({ value, unit: own }, unit)}</strong> typed “{typed}”, standard uncertainty of the
            gauge {printQuantity({ value: gaugeStandardUncertainty(gauge), unit: own }, unit)}
            <span className="soft">
              {' '}
              · {gauge.name} · {author}, {momentText(benchTime)}
              {temperature !== null && ` · ${temperature} °C`}
              {humidity !== null && ` · ${humidity} %`}
              {stale ? ` · stale since “${stale.title}”` : ' · still true'}
            </span>
          </li>
        ))}
      </ul>
    </details>
  );
}
