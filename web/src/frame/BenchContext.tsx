'use client';

import { clockWords, type Asker, type ClockWords, type Keeping } from '@holotonos/core';
import { createContext, useCallback, useContext, useEffect, useMemo, useRef, useState, type ReactNode } from 'react';
import { beginKeeping, forgetPages } from './keeper';

export type Light = 'day' | 'leak';

/** What a page knows of whoever is signed in. */
export type Named = Pick<Asker, 'name' | 'role'>;

interface Bench {
  /** the time zone of the shop: every time on a screen is by its clock, wherever the browser is */
  zone: string;
  author: string;
  /** whoever is signed in; null where nobody has a key yet, or somebody only looks */
  asker: Named | null;
  /** how the shop is kept */
  keeping: Keeping;
  /** other hands take over, or none: what is on the screen stays */
  setAsker: (asker: Named | null) => void;
  /** minutes without a touch until the bench asks who is there */
  lockMinutes: number;
  /** whose name stands under what is written now: also before the page has taken over what this browser remembers */
  who: () => string;
  setAuthor: (name: string) => void;
  /** names to offer; a name joins them when the field is left */
  people: string[];
  rememberAuthor: () => void;
  light: Light;
  switchLight: () => void;
  helpOpen: boolean;
  setHelpOpen: (open: boolean) => void;
}

const BenchContext = createContext<Bench | null>(null);

/** Who is at the bench, which light is on, and the keys of this page. */
export function useBench(): Bench {
  const bench = useContext(BenchContext);
  if (!bench) throw new Error('useBench is called outside BenchProvider');
  return bench;
}

/** Times and days in words, by the shop's clock. */
export const useWhen = (): ClockWords => clockWords(useBench().zone);

/** Who is signed in, as the tabs of a browser tell each other. */
const atHand = 'holotonos-at-hand';

/** Names this browser has worked under before, newest first; kept to a few. */
const mostPeople = 12;
function rememberedPeople(): string[] {
  try {
    const names: unknown = JSON.parse(localStorage.getItem('holotonos-people') ?? '[]');
    return Array.isArray(names) ? names.filter((name) => typeof name === 'string') : [];
  } catch {
    return [];
  }
}

/** Keys that mean something everywhere must not fire while words are typed. */
const typing = (target: EventTarget | null) =>
  target instanceof HTMLElement &&
  target.matches('input:not([data-figure]):not([type=checkbox]):not([type=radio]), textarea, select');

export function BenchProvider({
  zone,
  asker: first = null,
  keeping = 'open',
  lockMinutes = 15,
  children,
}: {
  zone: string;
  asker?: Named | null;
  keeping?: Keeping;
  lockMinutes?: number;
  children: ReactNode;
}) {
  const [typed, setAuthorState] = useState('');
  const [asker, putAsker] = useState(first);
  const setAsker = useCallback((now: Named | null) => {
    putAsker(now);
    forgetPages();
    // The other tabs of this browser have the same session.
    localStorage.setItem(atHand, JSON.stringify(now));
  }, []);
  useEffect(() => {
    const heard = ({ key, newValue }: StorageEvent) => {
      if (key === atHand && newValue !== null) putAsker(JSON.parse(newValue) as Named | null);
    };
    window.addEventListener('storage', heard);
    return () => window.removeEventListener('storage', heard);
  }, []);
  useEffect(beginKeeping, []);
  // Whoever is signed in signs; a typed name counts only where nobody has a key.
  const author = keeping === 'open' ? typed : (asker?.name ?? '');
  const recalled = useRef(false);
  const [people, setPeople] = useState<string[]>([]);
  const [light, setLight] = useState<Light>('day');
  const [helpOpen, setHelpOpen] = useState(false);

  useEffect(() => {
    const recall = () => {
      recalled.current = true;
      setAuthorState(localStorage.getItem('holotonos-author') ?? '');
      setPeople(rememberedPeople());
      setLight(document.documentElement.dataset.bsTheme === 'dark' ? 'leak' : 'day');
    };
    // What this browser remembers is only known once it runs here. A change while the page still streams in would make
    // React draw it a second time instead of taking over what is there, and the focus would be lost.
    if (document.readyState === 'complete') recall();
    else window.addEventListener('load', recall, { once: true });
    return () => window.removeEventListener('load', recall);
  }, []);

  useEffect(() => {
    const answer = () => window.pageAnswers?.();
    if (document.readyState !== 'loading') answer();
    else document.addEventListener('DOMContentLoaded', answer, { once: true });
    return () => document.removeEventListener('DOMContentLoaded', answer);
  }, []);

  const who = useCallback(
    () =>
      author.trim() ||
      (recalled.current || keeping !== 'open' ? '' : (localStorage.getItem('holotonos-author') ?? '').trim()),
    [author, keeping],
  );
  const setAuthor = useCallback((name: string) => {
    recalled.current = true;
    setAuthorState(name);
    localStorage.setItem('holotonos-author', name);
  }, []);
  const rememberAuthor = useCallback(() => {
    const name = author.trim();
    if (name === '') return;
    const names = [name, ...rememberedPeople().filter((known) => known !== name)].slice(0, mostPeople);
    localStorage.setItem('holotonos-people', JSON.stringify(names));
    setPeople(names);
  }, [author]);
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
    () => ({
      zone,
      author,
      asker,
      keeping,
      setAsker,
      lockMinutes,
      who,
      setAuthor,
      people,
      rememberAuthor,
      light,
      switchLight,
      helpOpen,
      setHelpOpen,
    }),
    [
      zone,
      author,
      asker,
      setAsker,
      keeping,
      lockMinutes,
      who,
      setAuthor,
      people,
      rememberAuthor,
      light,
      switchLight,
      helpOpen,
    ],
  );
  return <BenchContext.Provider value={value}>{children}</BenchContext.Provider>;
}
