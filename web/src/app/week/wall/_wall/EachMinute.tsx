'use client';

import { useRouter } from 'next/navigation';
import { useEffect } from 'react';

const minuteMs = 60_000;

/** Draws the page anew each minute, as long as somebody can see it: work goes over by itself, with nothing written. */
export function EachMinute() {
  const router = useRouter();
  useEffect(() => {
    const timer = setInterval(() => {
      if (document.visibilityState === 'visible') router.refresh();
    }, minuteMs);
    return () => clearInterval(timer);
  }, [router]);
  return null;
}
