'use client';

import type { GaugeReading } from '@holotonos/core';
import { useState } from 'react';
import { useLive, type GaugesNow } from '@/live/live';

export type { GaugesNow } from '@/live/live';

/** Listens to the devices of the bench. What they send goes to `onReading`; null until it is known who is there. */
export function useGauges(onReading: (reading: GaugeReading) => void): GaugesNow | null {
  const [now, setNow] = useState<GaugesNow | null>(null);
  useLive((event) => {
    if (event.event === 'reading') onReading(event.data);
    else if (event.event === 'state') setNow(event.data);
  });
  return now;
}
