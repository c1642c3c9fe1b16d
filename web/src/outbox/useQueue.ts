'use client';

import { useCallback, useMemo, useSyncExternalStore } from 'react';
import { nothingWaits, type AnyNew, type EntryQueue, type QueueState } from './entryQueue';

/** The queue of a logbook on a page, and what it shows of itself; none on the server, where there is nothing to send. */
export function useQueue<Log extends string, New extends AnyNew, Taken>(
  log: Log,
  open: (log: Log) => EntryQueue<New, Taken>,
): { queue: EntryQueue<New, Taken> | null; queued: QueueState<New> } {
  const queue = useMemo(() => (typeof window === 'undefined' ? null : open(log)), [log, open]);
  const queued = useSyncExternalStore<QueueState<New>>(
    useCallback((onChange: () => void) => queue?.subscribe(onChange) ?? (() => undefined), [queue]),
    () => queue?.state ?? nothingWaits,
    () => nothingWaits,
  );
  return { queue, queued };
}
