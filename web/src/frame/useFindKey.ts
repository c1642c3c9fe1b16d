'use client';

import { useRouter } from 'next/navigation';
import { useEffect } from 'react';

/** A stroke that is typed into a field belongs to it: sixteenths of an inch are written with one. */
const inField = (target: EventTarget | null) =>
  target instanceof HTMLElement && target.matches('input, textarea, select');

/** From everywhere one key leads to the search, without losing what stands in a field. */
export function useFindKey(works: boolean): void {
  const router = useRouter();
  useEffect(() => {
    if (!works) return;
    const onKey = (event: KeyboardEvent) => {
      const held = event.ctrlKey || event.metaKey;
      const asked = held ? event.key.toLowerCase() === 'k' : event.key === '/' && !inField(event.target);
      if (!asked || event.altKey || event.defaultPrevented) return;
      event.preventDefault();
      router.push('/find');
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [works, router]);
}
