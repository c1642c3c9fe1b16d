'use client';

import { useEffect, useRef } from 'react';

/**
 * Hears keys that are pressed with Alt alone, wherever the hands are, a field too.
 *
 * @param act what a key does, by its place on the keyboard (`Digit4`, `KeyM`); false where it does nothing, and then it means
 * what it means elsewhere
 */
export function useAltKey(act: (code: string) => boolean): void {
  const newest = useRef(act);
  useEffect(() => {
    newest.current = act;
  }, [act]);
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (!event.altKey || event.ctrlKey || event.metaKey || event.defaultPrevented) return;
      if (newest.current(event.code)) event.preventDefault();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);
}
