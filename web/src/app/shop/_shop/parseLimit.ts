import type { Tolerance } from '@holotonos/core';

/** A limit as it was typed: one figure, or two with anything between them. Null when it is neither. */
export function parseLimit(text: string, shape: 'band' | 'upper'): Tolerance | null {
  const figures = (text.replaceAll(',', '.').match(/\d+(?:\.\d+)?/g) ?? []).map(Number);
  if (shape === 'upper') return figures.length === 1 ? (figures[0] ?? null) : null;
  const [low, high] = figures;
  return figures.length === 2 && low !== undefined && high !== undefined && low <= high ? [low, high] : null;
}
