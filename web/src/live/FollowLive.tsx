'use client';

import { useRouter } from 'next/navigation';
import { useEffect, useRef } from 'react';
import { useLive } from './live';

/** Several entries that come together make one new page, ms. */
const togetherMs = 400;

/** Makes a page that the server draws anew when something is written into any logbook, by whomever. */
export function FollowLive() {
  const router = useRouter();
  const timer = useRef<ReturnType<typeof setTimeout> | null>(null);
  const opened = useRef(false);
  useLive(({ event }) => {
    if (event !== 'entry' && event !== 'shop' && event !== 'ready') return;
    // The page is as new as the first opening; a later one may have missed something.
    if (event === 'ready' && !opened.current) {
      opened.current = true;
      return;
    }
    timer.current ??= setTimeout(() => {
      timer.current = null;
      router.refresh();
    }, togetherMs);
  });
  useEffect(
    () => () => {
      if (timer.current) clearTimeout(timer.current);
    },
    [],
  );
  return null;
}
