import { useSyncExternalStore } from 'react';
import type { JobDouble } from '../hooks/bench';

/** A made-up job on a page: everyone who shows it is drawn anew when something was written. */
export function drawnAnew(job: () => JobDouble) {
  const shown = new Set<() => void>();
  const listen = (onChange: () => void) => {
    shown.add(onChange);
    return () => shown.delete(onChange);
  };
  const write: JobDouble['write'] = (kind, body) => {
    const taken = job().write(kind, body);
    for (const onChange of shown) onChange();
    return taken;
  };
  /** Called by what shows the job. */
  const useWritten = () => useSyncExternalStore(listen, () => job().written.length);
  return { write, useWritten };
}
