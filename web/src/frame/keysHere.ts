'use client';

import { useEffect, useSyncExternalStore } from 'react';
import type { KeyHelp } from './pageKeys';

const none: readonly KeyHelp[] = [];
let here = none;
const listeners = new Set<() => void>();
function put(keys: readonly KeyHelp[]): void {
  here = keys;
  for (const listener of listeners) listener();
}
const subscribe = (listener: () => void) => {
  listeners.add(listener);
  return () => void listeners.delete(listener);
};

/** Declares the keys of a page for the `?` help; nothing but the help is drawn anew by it. */
export function usePageKeys(keys: readonly KeyHelp[]): void {
  const text = JSON.stringify(keys);
  useEffect(() => {
    put(JSON.parse(text) as KeyHelp[]);
    return () => put(none);
  }, [text]);
}

/** The keys that the page on the screen has declared. */
export const useKeysHere = (): readonly KeyHelp[] =>
  useSyncExternalStore(
    subscribe,
    () => here,
    () => none,
  );
