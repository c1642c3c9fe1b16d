/** A direction in a sentence; null has none. */
export const clockWords = (clock: number | null | undefined): string =>
  clock === null || clock === undefined ? 'no one side' : `${Math.round(clock)}°`;

/** How bad a figure is against its limit. */
export function severityAgainst(value: number, limit: number): 1 | 2 | 3 {
  if (limit <= 0 || value > 4 * limit) return 3;
  return value > 2 * limit ? 2 : 1;
}

/** What is still missing where a report stands on one figure. */
export const oneFigure = ['One figure: read it twice if it is near the limit.'] as const;
export const noLimit = [
  'No limit is set for it on this kind of instrument: it is read, and judged by nobody.',
] as const;
