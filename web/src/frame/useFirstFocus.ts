'use client';

import { useCallback, useLayoutEffect, type RefObject } from 'react';

/**
 * Gives the keys to the heart of a page before the page is painted: whoever sees it can type, and nothing typed goes astray
 * in the moment between (an ordinary effect comes after the picture, on a busy machine long after).
 *
 * @param waits while the keys are needed elsewhere; they are given once that is over
 * @returns gives them back to it, after something else had them
 */
export function useFirstFocus(ref: RefObject<HTMLElement | null>, waits = false): () => void {
  const focus = useCallback(() => ref.current?.focus({ preventScroll: true }), [ref]);
  useLayoutEffect(() => {
    if (!waits) focus();
  }, [focus, waits]);
  return focus;
}
