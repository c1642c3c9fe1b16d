'use client';

import { useSyncExternalStore } from 'react';

/** Pages on which hands are on the instrument: there the map stands open until somebody folds it. */
const needed = new Set(['', 'survey', 'strip', 'look', 'measure', 'round', 'findings', 'sound', 'instrument']);

const key = 'holotonos-map';
const listeners = new Set<() => void>();
function subscribe(listener: () => void): () => void {
  listeners.add(listener);
  window.addEventListener('storage', listener);
  return () => {
    listeners.delete(listener);
    window.removeEventListener('storage', listener);
  };
}
function chosenOf(text: string): Record<string, unknown> {
  try {
    const kept: unknown = JSON.parse(text);
    return typeof kept === 'object' && kept !== null ? (kept as Record<string, unknown>) : {};
  } catch {
    // A damaged note of what was folded is none.
    return {};
  }
}

/** Which page of a job an address is, as far as the map goes. */
export const pageOfMap = (path: string): string => path.split('/').filter(Boolean)[2] ?? '';

/** Is the map folded on this page, and a way to fold and unfold it. What is chosen is kept in this browser, page by page. */
export function useMapFold(path: string): { folded: boolean; fold: (folded: boolean) => void } {
  const text = useSyncExternalStore(
    subscribe,
    () => localStorage.getItem(key) ?? '{}',
    () => '{}',
  );
  const page = pageOfMap(path);
  const chosen = chosenOf(text)[page];
  return {
    folded: typeof chosen === 'boolean' ? chosen : !needed.has(page),
    fold: (folded) => {
      const kept = chosenOf(localStorage.getItem(key) ?? '{}');
      localStorage.setItem(key, JSON.stringify({ ...kept, [page]: folded }));
      for (const listener of listeners) listener();
    },
  };
}
