/**
 * A plain figure as it is typed, with a point or a comma before its fraction; null when it is none.
 *
 * @example parseNumber('−1,5') // => -1.5
 */
export function parseNumber(text: string): number | null {
  const plain = text.trim().replace(',', '.').replace(/[−–]/, '-');
  return /^[+-]?(\d+\.?\d*|\.\d+)$/.test(plain) ? Number(plain) : null;
}
