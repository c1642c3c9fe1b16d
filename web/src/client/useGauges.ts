'use client';

import type { GaugeReading } from '@holotonos/core';
import { useEffect, useRef, useState } from 'react';

/** Who is connected, and what was kept out. Null until the stream is open. */
export interface GaugesNow {
  connected: number;
  places: number;
  taken: number;
  bad: number;
  flooded: number;
  lastProblem: string;
}

/** Listens to the devices of the bench. What they send goes to `onReading`; the newest one given counts. */
export function useGauges(onReading: (reading: GaugeReading) => void): GaugesNow | null {
  const [now, setNow] = useState<GaugesNow | null>(null);
  const newest = useRef(onReading);
  useEffect(() => {
    newest.current = onReading;
  }, [onReading]);
  useEffect(() => {
    const source = new EventSource('/api/v1/gauges/events');
    source.addEventListener('reading', (event) =>
      newest.current(JSON.parse((event as MessageEvent<string>).data) as GaugeReading),
    );
    source.addEventListener('state', (event) => setNow(JSON.parse((event as MessageEvent<string>).data) as GaugesNow));
    return () => source.close();
  }, []);
  return now;
}
