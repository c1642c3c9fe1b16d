/** How sums of a currency are written, made once for each; null of what is no currency. */
const formats = new Map<string, Intl.NumberFormat | null>();
function formatOf(currency: string): Intl.NumberFormat | null {
  const known = formats.get(currency);
  if (known !== undefined) return known;
  let made: Intl.NumberFormat | null = null;
  try {
    made = new Intl.NumberFormat('en-GB', { style: 'currency', currency });
  } catch {
    // What is no currency is written as a figure.
  }
  formats.set(currency, made);
  return made;
}

/** How many minor units make one unit of a currency, as a power of ten; 2 where the currency is not known. */
export const minorDigits = (currency: string): number =>
  formatOf(currency)?.resolvedOptions().maximumFractionDigits ?? 2;

/**
 * A sum as it is written, from minor units.
 *
 * @example moneyText(123450, 'EUR') // => "€1,234.50"
 */
export function moneyText(amount: number, currency: string): string {
  const value = amount / 10 ** minorDigits(currency);
  return formatOf(currency)?.format(value) ?? `${value.toFixed(2)} ${currency}`;
}

/**
 * Minor units from a sum as it is typed, with a point or a comma before its fraction; null when it is no sum or has more
 * digits than the currency has.
 *
 * @example minorUnits('12,5', 'EUR') // => 1250
 */
export function minorUnits(typed: string, currency: string): number | null {
  const digits = minorDigits(currency);
  const match = /^\s*(\d{1,8})(?:[.,](\d+))?\s*$/.exec(typed);
  const [, whole = '', fraction = ''] = match ?? [];
  if (!match || fraction.length > digits) return null;
  return Number(whole) * 10 ** digits + Number(fraction.padEnd(digits, '0') || '0');
}

/**
 * A sum as it would be typed, without its currency: what `minorUnits` reads.
 *
 * @example typedSum(1250, 'EUR') // => "12.50"
 */
export function typedSum(amount: number, currency: string): string {
  const digits = minorDigits(currency);
  return (amount / 10 ** digits).toFixed(digits);
}

/** To the nearest multiple of a step, halves away from zero. */
export const roundedTo = (amount: number, step: number): number =>
  Math.sign(amount) * Math.round(Math.abs(amount) / step) * step;
