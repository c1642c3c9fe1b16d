import { parseLength } from './parseLength';
import { parseNumber } from './parseNumber';
import type { KeptUnit } from './quantity';
import type { LengthUnit } from './units';

export type ParsedQuantity = { ok: true; value: number } | { ok: false; problem: string };

/**
 * The one reader of typed figures: lengths in the unit of the job or with a unit of their own, everything else as a
 * plain figure, with or without its unit.
 *
 * @param own the unit the figure is kept in
 * @param implied the unit of a length typed without one
 * @example parseQuantity('2in', 'mm', 'mm') // => { "ok": true, "value": 50.8 }
 * @example parseQuantity('12,5 N', 'N', 'in') // => { "ok": true, "value": 12.5 }
 */
export function parseQuantity(text: string, own: KeptUnit, implied: LengthUnit): ParsedQuantity {
  if (own === 'mm') {
    const parsed = parseLength(text, implied);
    return parsed.ok ? { ok: true, value: parsed.mm } : parsed;
  }
  const tidy = text.trim();
  const value = parseNumber(tidy.toLowerCase().endsWith(own.toLowerCase()) ? tidy.slice(0, -own.length) : tidy);
  return value === null ? { ok: false, problem: 'Type a figure, for example 12.5' } : { ok: true, value };
}
