'use client';

import { keepHere, keptHere, readKept, useKeptHere } from '@/frame/keptHere';

/** Pages whose work is the map itself: there it stands open until somebody folds it. */
const needed = new Set(['instrument']);

const key = 'holotonos-map';
/** A damaged note of what was folded is none. */
function chosenOf(text: string): Record<string, unknown> {
  const kept = readKept(text);
  return typeof kept === 'object' && kept !== null ? (kept as Record<string, unknown>) : {};
}

/** Which page of a job an address is, as far as the map goes. */
export const pageOfMap = (path: string): string => path.split('/').filter(Boolean)[2] ?? '';

/** Is the map folded on this page, and a way to fold and unfold it. What is chosen is kept in this browser, page by page. */
export function useMapFold(path: string): { folded: boolean; fold: (folded: boolean) => void } {
  const text = useKeptHere(key);
  const page = pageOfMap(path);
  const chosen = chosenOf(text)[page];
  return {
    folded: typeof chosen === 'boolean' ? chosen : !needed.has(page),
    fold: (folded) => keepHere(key, { ...chosenOf(keptHere(key)), [page]: folded }),
  };
}
