'use client';

import type { MeasureState, PartPlace } from '@holotonos/core';
import { createContext, useContext, useEffect, useMemo, useState, type ReactNode } from 'react';

/** What kinds of part can be gone to on the strip. */
export type StripTarget = 'holes' | 'keys' | 'posts' | 'rods' | 'sections' | 'joints' | 'fittings';

/** Something a solver found on the tube, drawn where it is and named. */
export interface StripMark {
  kind: 'support' | 'push' | 'narrow' | 'wide' | 'oval';
  section: string;
  /** mm along the section; a stretch runs from `at` to `to` */
  at: number;
  to?: number;
  /** the side it concerns; a stretch has none */
  clock?: number;
  words: string;
}

/** What a page makes of the strip while it is open. */
export interface StripControl {
  targets: readonly StripTarget[];
  here: string | null;
  /** the part gone to, and the spot pressed where it is as long as a section */
  onPick: (part: string, spot?: PartPlace) => void;
  /** how many pictures there are of a part */
  photosOf?: (part: string) => number;
  /** state of the measures at a part */
  stateOfPart?: (part: string) => MeasureState[];
  /** what else is to be said of a part, such as “2 findings”; parts with words carry a flag */
  flagOf?: (part: string) => string | null;
  /** parts that are not on the instrument now */
  isOff?: (part: string) => boolean;
  /** what was found along the tube */
  marks?: readonly StripMark[];
  /** given when parts may be dragged to another spot */
  onPlace?: (part: string, spot: PartPlace) => void;
}

interface Held {
  control: StripControl | null;
  setControl: (control: StripControl | null) => void;
}
const Context = createContext<Held>({ control: null, setControl: () => undefined });

/** Holds what the open page makes of the strip. */
export function StripControlProvider({ children }: { children: ReactNode }) {
  const [control, setControl] = useState<StripControl | null>(null);
  const value = useMemo(() => ({ control, setControl }), [control]);
  return <Context.Provider value={value}>{children}</Context.Provider>;
}

export const useStripControlHeld = () => useContext(Context).control;

/** A page takes the strip while it is open. Give it a memoised control. */
export function useStripControl(control: StripControl): void {
  const { setControl } = useContext(Context);
  useEffect(() => {
    setControl(control);
  }, [control, setControl]);
  useEffect(() => () => setControl(null), [setControl]);
}
