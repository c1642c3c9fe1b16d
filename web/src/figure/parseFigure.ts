/**
 * A plain figure as it is typed, with a point or a comma before its fraction; null when it is none.
 *
 * Lengths have a reader of their own, which knows units.
 */
export function parseFigure(text: string): number | null {
  const plain = text.trim().replace(',', '.').replace('−', '-');
  return /^-?(\d+\.?\d*|\.\d+)$/.test(plain) ? Number(plain) : null;
}
