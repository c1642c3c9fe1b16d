import type { ReadingState } from '../../readings';

/** Wood moves by about this much of its size when the air of the room changes by more, % relative humidity. */
const humidityApart = 10;
const degreesApart = 8;

const spanOf = (values: readonly (number | null)[]): readonly [number, number] | null => {
  const known = values.filter((value) => value !== null);
  return known.length < 2 ? null : [Math.min(...known), Math.max(...known)];
};

/**
 * What to say of readings on wood that were taken in different air: their differences may be the wood’s and not the
 * work’s. Readings without a note of the air say nothing.
 */
export function airWarnings(readings: readonly ReadingState[]): string[] {
  const damp = spanOf(readings.map(({ humidity }) => humidity));
  const warm = spanOf(readings.map(({ temperature }) => temperature));
  const says: string[] = [];
  if (damp && damp[1] - damp[0] >= humidityApart)
    says.push(
      `Read at ${damp[0].toFixed(0)} to ${damp[1].toFixed(0)} % humidity: wood moves with the air, so compare these figures with care, or read all again in one air.`,
    );
  if (warm && warm[1] - warm[0] >= degreesApart)
    says.push(`Read at ${warm[0].toFixed(0)} to ${warm[1].toFixed(0)} °C: let the instrument come to the room first.`);
  return says;
}
