'use client';

import { useSyncExternalStore } from 'react';

const listeners = new Set<() => void>();
function subscribe(listener: () => void): () => void {
  listeners.add(listener);
  // Another tab of this browser has kept something else.
  window.addEventListener('storage', listener);
  return () => {
    listeners.delete(listener);
    window.removeEventListener('storage', listener);
  };
}

/** What this browser keeps under a name, as JSON text; `null` where it keeps nothing. */
export const keptHere = (key: string): string => localStorage.getItem(key) ?? 'null';

/** The same for a component, anew whenever it changes in any tab; empty before the page runs there. */
export const useKeptHere = (key: string): string =>
  useSyncExternalStore(
    subscribe,
    () => keptHere(key),
    () => '',
  );

/** Keeps something under a name, and tells whatever shows it. */
export function keepHere(key: string, value: object): void {
  localStorage.setItem(key, JSON.stringify(value));
  for (const listener of listeners) listener();
}

/** What a kept text says; null of a damaged one: it is as if nothing were kept. */
export function readKept(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return null;
  }
}
