import { mmPerUnit, type LengthUnit } from './units';

export type ParsedLength = { ok: true; mm: number; unit: LengthUnit } | { ok: false; problem: string };

const unitWords: Record<string, LengthUnit> = {
  'mm': 'mm',
  'millimetre': 'mm',
  'millimetres': 'mm',
  'in': 'in',
  'inch': 'in',
  'inches': 'in',
  '"': 'in',
  '″': 'in',
  'thou': 'thou',
  'thousandths': 'thou',
  'th': 'thou',
};

const pattern = new RegExp(
  '^([+-])?' + // sign
    '(?:(\\d+)\\s+)?' + // whole part before a fraction
    '(?:(\\d+)/(\\d+)|(\\d*\\.?\\d+|\\d+\\.))' + // fraction or decimal
    '\\s*([a-z"″]+)?$',
);

/**
 * Reads a length as it is typed at the bench.
 *
 * Takes decimals with point or comma, fractions (`3/32in`, `1 1/8 in`), a unit or none (then `implied`),
 * and either kind of minus sign. Bad input is data, not an exception: the problem says what to type instead.
 *
 * @example parseLength('.002in', 'mm').mm // => 0.0508
 * @example parseLength('3/32in', 'mm').mm // => 2.38125
 * @example parseLength('2 thou', 'mm').unit // => "thou"
 */
export function parseLength(text: string, implied: LengthUnit): ParsedLength {
  const tidy = text.trim().toLowerCase().replace(/[−–]/g, '-').replace(',', '.');
  if (tidy === '') return { ok: false, problem: 'Type a figure, for example 0.05' };
  const match = pattern.exec(tidy);
  if (!match) {
    return {
      ok: false,
      problem: `“${text.trim()}” is not a length. Type a figure such as 0.05, .002in, 2 thou or 3/32in`,
    };
  }
  const [, sign, whole, top, bottom, decimal, word] = match;
  const unit = word === undefined ? implied : unitWords[word];
  if (unit === undefined) {
    return { ok: false, problem: `“${word}” is not a unit here. Use mm, in or thou` };
  }
  if (whole !== undefined && top === undefined) {
    return { ok: false, problem: `“${text.trim()}” reads as two figures. Type one` };
  }
  if (bottom !== undefined && Number(bottom) === 0) {
    return { ok: false, problem: 'A fraction cannot have 0 below the line' };
  }
  const size =
    top !== undefined && bottom !== undefined ? Number(whole ?? 0) + Number(top) / Number(bottom) : Number(decimal);
  const mm = (sign === '-' ? -size : size) * mmPerUnit[unit];
  if (!Number.isFinite(mm)) return { ok: false, problem: 'That figure is too large' };
  return { ok: true, mm: mm === 0 ? 0 : mm, unit };
}

/** A length that is a size: more than nothing. What is wrong is said as `parseLength` says it. */
export function parseSize(text: string, implied: LengthUnit): ParsedLength {
  const parsed = parseLength(text, implied);
  return parsed.ok && parsed.mm <= 0 ? { ok: false, problem: 'It must be more than 0.' } : parsed;
}
