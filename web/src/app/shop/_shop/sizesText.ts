import { parseLength } from '@holotonos/core';

/** Sizes as they are typed, mm. @example sizesText([0.05, 4.3]) // => "0.05 4.3" */
export const sizesText = (sizes: readonly number[]): string => sizes.map((mm) => String(+mm.toFixed(4))).join(' ');

/** A list of sizes as it was typed, each with its own unit or in millimetres; none is a list too. */
export function parseSizes(text: string): { ok: true; mm: number[] } | { ok: false; problem: string } {
  const mm: number[] = [];
  for (const each of text.split(/[\s;]+/).filter((word) => word !== '')) {
    const read = parseLength(each.replace(/,$/, ''), 'mm');
    if (!read.ok || !(read.mm > 0))
      return { ok: false, problem: `“${each}” is no size: write 0.05, 4.3mm, 0.005in or 3/16in.` };
    mm.push(read.mm);
  }
  return { ok: true, mm: [...new Set(mm)].sort((a, b) => a - b) };
}
