import { printFigure, printShort, printWithUncertainty } from './printLength';
import { mmPerUnit, type LengthUnit } from './units';

/** Units figures are kept in. Lengths are kept in millimetres and read in the unit of the job; all else in its own. */
export type KeptUnit = 'mm' | 'mm³' | '°' | 'N' | 'mL/min' | '%' | 'cents';

/** A figure that has not been turned into text yet: what a sentence keeps instead of digits. */
export interface Quantity {
  readonly value: number;
  readonly unit: KeptUnit;
  /** expanded uncertainty in the same unit, where it is told with one */
  readonly uncertainty?: number | null;
  /** how finely it is told, see `print`; as gauges read where nothing is said */
  readonly told?: 'along' | 'stock' | 'size';
}

/** A length as gauges read it, mm. */
export const length = (mm: number, uncertainty: number | null = null): Quantity => ({
  value: mm,
  unit: 'mm',
  uncertainty,
});
/** A place along a tube, mm: told to the millimetre, for an eye and not for a gauge. */
export const along = (mm: number): Quantity => ({ value: mm, unit: 'mm', told: 'along' });
/** What stands on a shelf, mm: washers, bushes, cutters; told as it is marked. */
export const stock = (mm: number): Quantity => ({ value: mm, unit: 'mm', told: 'stock' });
/** A size by which something is known, mm: as it stands on its bag, without zeros at its end. */
export const size = (mm: number): Quantity => ({ value: mm, unit: 'mm', told: 'size' });
/** An angle, degrees, to a hundredth. */
export const degrees = (value: number): Quantity => ({ value, unit: '°' });

/** The unit a place along a tube is told and typed in: nobody looks for one in thousandths. */
export const rulerOf = (unit: LengthUnit): LengthUnit => (unit === 'thou' ? 'in' : unit);

const plain = (value: number, places: number) => printFigure(value, 'mm', places);
/** Angles stand close, everything else apart. */
const withUnit = (figure: string, unit: string) => (unit === '°' ? `${figure}°` : `${figure} ${unit}`);

/** Places a length is told with in each unit, where it is not told as gauges read it. */
const places: Record<'along' | 'stock', Record<LengthUnit, number>> = {
  along: { mm: 0, in: 2, thou: 0 },
  stock: { mm: 2, in: 4, thou: 1 },
};

function printLengthAs({ value, uncertainty = null, told }: Quantity, unit: LengthUnit): string {
  if (told === 'along') {
    const ruler = rulerOf(unit);
    return `${printFigure(value, ruler, places.along[ruler])} ${ruler}`;
  }
  if (told === 'stock') return `${printFigure(value, unit, places.stock[unit])} ${unit}`;
  if (told === 'size') return `${printShort(value, unit, places.stock[unit])} ${unit}`;
  return uncertainty === null ? `${printFigure(value, unit)} ${unit}` : printWithUncertainty(value, uncertainty, unit);
}

/**
 * The one printer of figures: a quantity as text, lengths in the unit of the job.
 *
 * @example printQuantity(length(0.0508), 'thou') // => "2.0 thou"
 * @example printQuantity(along(127), 'in') // => "5.00 in"
 * @example printQuantity({ value: 12.34, unit: 'mL/min', uncertainty: 0.6 }, 'in') // => "12.34 ± 0.60 mL/min"
 */
export function printQuantity(quantity: Quantity, unit: LengthUnit): string {
  const { value, unit: own, uncertainty = null } = quantity;
  if (own === 'mm') return printLengthAs(quantity, unit);
  // A whole tube holds millions of cubic millimetres; nobody reads those.
  if (own === 'mm³')
    return unit === 'mm' ? `${plain(value / 1000, 2)} cm³` : `${plain(value / mmPerUnit.in ** 3, 3)} in³`;
  // Nobody hears a hundredth of a cent.
  const places = own === 'cents' ? 1 : 2;
  return uncertainty === null
    ? withUnit(plain(value, places), own)
    : withUnit(`${plain(value, places)} ± ${plain(uncertainty, places)}`, own);
}
