'use client';

import { createContext, useCallback, useContext, useEffect, useMemo, useState, type ReactNode } from 'react';

export type Light = 'day' | 'leak';
export interface KeyHelp {
  keys: string;
  does: string;
}

interface Bench {
  author: string;
  setAuthor: (name: string) => void;
  light: Light;
  switchLight: () => void;
  helpOpen: boolean;
  setHelpOpen: (open: boolean) => void;
  pageKeys: KeyHelp[];
  setPageKeys: (keys: KeyHelp[]) => void;
}

const BenchContext = createContext<Bench | null>(null);

/** Who is at the bench, which light is on, and the keys of this page. */
export function useBench(): Bench {
  const bench = useContext(BenchContext);
  if (!bench) throw new Error('useBench is called outside BenchProvider');
  return bench;
}

/** Declares the keys of a page for the `?` help. */
export function usePageKeys(keys: KeyHelp[]): void {
  const { setPageKeys } = useBench();
  const text = JSON.stringify(keys);
  useEffect(() => {
    setPageKeys(JSON.parse(text) as KeyHelp[]);
    return () => setPageKeys([]);
  }, [text, setPageKeys]);
}

export const people = ['Ottoline Marsh', 'Perrin Oake', 'Juno Tam'];

/** Keys that mean something everywhere must not fire while words are typed. */
const typing = (target: EventTarget | null) =>
  target instanceof HTMLElement &&
  target.matches('input:not([data-figure]):not([type=checkbox]):not([type=radio]), textarea, select');

export function BenchProvider({ children }: { children: ReactNode }) {
  const [author, setAuthorState] = useState(people[1] ?? '');
  const [light, setLight] = useState<Light>('day');
  const [helpOpen, setHelpOpen] = useState(false);
  const [pageKeys, setPageKeys] = useState<KeyHelp[]>([]);

  useEffect(() => {
    // What this browser remembers is only known once it runs here; the server draws the defaults.
    // eslint-disable-next-line react-hooks/set-state-in-effect
    setAuthorState(localStorage.getItem('holotonos-author') ?? people[1] ?? '');
    setLight(document.documentElement.dataset.bsTheme === 'dark' ? 'leak' : 'day');
  }, []);

  const setAuthor = useCallback((name: string) => {
    setAuthorState(name);
    localStorage.setItem('holotonos-author', name);
  }, []);
  const switchLight = useCallback(() => {
    setLight((now) => {
      const then = now === 'day' ? 'leak' : 'day';
      document.documentElement.dataset.bsTheme = then === 'leak' ? 'dark' : 'light';
      localStorage.setItem('holotonos-light', then);
      return then;
    });
  }, []);

  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.ctrlKey || event.metaKey || event.altKey || typing(event.target)) return;
      if (event.key === '?') setHelpOpen(true);
      else if (event.key === '`') switchLight();
      else return;
      event.preventDefault();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [switchLight]);

  const value = useMemo(
    () => ({ author, setAuthor, light, switchLight, helpOpen, setHelpOpen, pageKeys, setPageKeys }),
    [author, setAuthor, light, switchLight, helpOpen, pageKeys],
  );
  return <BenchContext.Provider value={value}>{children}</BenchContext.Provider>;
}
