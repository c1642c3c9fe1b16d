import { mmPerUnit, type LengthUnit } from './units';

/** Decimal places that show a hundredth of a millimetre or better in each unit. */
const defaultPlaces: Record<LengthUnit, number> = { mm: 3, in: 4, thou: 1 };

const trueMinus = (figure: string) => figure.replace('-', '−');

/** The figure alone, without its unit: fixed places, a true minus sign, no minus before zero. */
export function printFigure(mm: number, unit: LengthUnit, places = defaultPlaces[unit]): string {
  const figure = (mm / mmPerUnit[unit]).toFixed(places);
  return trueMinus(Number(figure) === 0 ? figure.replace('-', '') : figure);
}

/**
 * The figure as it stands on a bag or is typed: without zeros at its end.
 *
 * @example printShort(17.5, 'mm', 2) // => "17.5"
 */
export const printShort = (mm: number, unit: LengthUnit, places?: number): string =>
  printFigure(mm, unit, places).replace(/\.?0+$/, '');

/**
 * A length for a reader: figure and unit, a true minus sign.
 *
 * @example printLength(0.0508, 'thou') // => "2.0 thou"
 * @example printLength(-0.05, 'mm') // => "−0.050 mm"
 */
export function printLength(mm: number, unit: LengthUnit, places?: number): string {
  return `${printFigure(mm, unit, places)} ${unit}`;
}

/** Places that show one significant figure of an uncertainty, or two when it begins with a 1 (GUM, 7.2.6). */
function placesFor(uncertainty: number): number {
  const exponent = Math.floor(Math.log10(uncertainty));
  const leading = uncertainty / 10 ** exponent;
  return Math.min(4, Math.max(0, (leading < 1.95 ? 1 : 0) - exponent));
}

/**
 * Value ± expanded uncertainty, both with the places that the uncertainty calls for.
 *
 * @example printWithUncertainty(0.0712, 0.0081, 'mm') // => "0.071 ± 0.008 mm"
 */
export function printWithUncertainty(mm: number, uncertainty: number, unit: LengthUnit): string {
  const inUnit = uncertainty / mmPerUnit[unit];
  const places = inUnit > 0 ? placesFor(inUnit) : defaultPlaces[unit];
  return `${printFigure(mm, unit, places)} ± ${printFigure(uncertainty, unit, places)} ${unit}`;
}

/**
 * The nearest fraction of an inch, in lowest terms, with a denominator up to `finest` (a power of two).
 *
 * @example printFraction(2.38125) // => "3/32in"
 * @example printFraction(28.575) // => "1 1/8in"
 */
export function printFraction(mm: number, finest = 64): string {
  const parts = Math.round((Math.abs(mm) / 25.4) * finest);
  const sign = mm < 0 && parts > 0 ? '−' : '';
  const whole = Math.floor(parts / finest);
  let top = parts % finest;
  let bottom = finest;
  while (top !== 0 && top % 2 === 0) {
    top /= 2;
    bottom /= 2;
  }
  if (top === 0) return `${sign}${whole}in`;
  return `${sign}${whole > 0 ? `${whole} ` : ''}${top}/${bottom}in`;
}
