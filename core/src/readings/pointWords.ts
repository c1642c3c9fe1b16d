import { along, phrase, type Phrase } from '../units';
import type { MeasuringPoint } from './point';

/**
 * What is measured at a point, and where on its part.
 *
 * @example pointWords({ group: 'rim', part: 'g', measure: 'height', clock: 45 }) // => ["height at 45°"]
 */
export const pointWords = ({ group, measure, clock, at }: MeasuringPoint): Phrase => {
  // A post has one height; everything else of that name goes round the clock.
  const directed =
    group !== 'post' &&
    (at !== undefined || clock !== 0 || measure === 'gap' || measure === 'height' || measure === 'diameter');
  const words = measure.replaceAll('-', ' ');
  if (!directed) return [words];
  return at === undefined ? phrase`${words} at ${clock}°` : phrase`${words} at ${along(at)}, ${clock}°`;
};
