'use client';

import { usePathname } from 'next/navigation';
import { lazy, Suspense, useSyncExternalStore } from 'react';
import { isOfJob } from './isOfJob';

const UnsentList = lazy(async () => ({ default: (await import('./UnsentList')).UnsentList }));

const never = () => () => undefined;
const inBrowser = () => true;
const onServer = () => false;

/**
 * What this browser has not got into a logbook: looked for once a page stands. Pages of a job have it in their own frame.
 *
 * @param but the ticket whose own page says it
 */
export function Unsent({ but }: { but?: string }) {
  const path = usePathname();
  const stands = useSyncExternalStore(never, inBrowser, onServer);
  // An owner who opens their page is no guest of the bench.
  if (!stands || (but === undefined && isOfJob(path)) || path.startsWith('/owner/')) return null;
  return (
    <Suspense>
      <UnsentList but={but} />
    </Suspense>
  );
}
