import type { Measure } from '../vocabulary';

export type MeasureUnit = 'mm' | 'N' | 'mL/min';

/** The unit a measure is kept in. */
export const unitOfMeasure = (measure: Measure): MeasureUnit =>
  measure === 'force' ? 'N' : measure === 'leak' ? 'mL/min' : 'mm';
