'use client';

import { useLayoutEffect, type RefObject } from 'react';

/**
 * Gives the keys to the heart of a page before the page is painted: whoever sees it can type, and nothing typed goes astray
 * in the moment between (an ordinary effect comes after the picture, on a busy machine long after).
 *
 * @param waits while the keys are needed elsewhere; they are given once that is over
 */
export function useFirstFocus(ref: RefObject<HTMLElement | null>, waits = false): void {
  useLayoutEffect(() => {
    if (!waits) ref.current?.focus({ preventScroll: true });
  }, [ref, waits]);
}
