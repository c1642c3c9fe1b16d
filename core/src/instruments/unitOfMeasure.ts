import type { Measure } from '../vocabulary';

export type MeasureUnit = 'mm' | 'N' | 'mL/min' | '°' | '%';

const others: Partial<Record<Measure, MeasureUnit>> = {
  'force': 'N',
  'weight': 'N',
  'leak': 'mL/min',
  'leak-baseline': 'mL/min',
  // A scale that is the tester's own is kept as a share of the way from its closed to its open mark.
  'leak-scale': '%',
  'leak-scale-baseline': '%',
  'lean': '°',
  'cone-angle': '°',
};

/** The unit a measure is kept in. */
export const unitOfMeasure = (measure: Measure): MeasureUnit => others[measure] ?? 'mm';

/** Lengths that are read either way of a line or a mark; all others are sizes. */
export const isSigned = (measure: Measure): boolean =>
  measure === 'deviation' || measure === 'height' || measure === 'mark-gap' || measure === 'lateness';
