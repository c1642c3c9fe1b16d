import type { Measure } from '../vocabulary';

export type MeasureUnit = 'mm' | 'N' | 'mL/min' | '°' | '%' | 'cents';

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
  'cents': 'cents',
  'spread': 'cents',
};

/** The unit a measure is kept in. */
export const unitOfMeasure = (measure: Measure): MeasureUnit => others[measure] ?? 'mm';

/** Figures that are read either way of a line, a mark or a name; all others are sizes. */
export const isSigned = (measure: Measure): boolean =>
  measure === 'deviation' ||
  measure === 'height' ||
  measure === 'mark-gap' ||
  measure === 'lateness' ||
  measure === 'cents';
