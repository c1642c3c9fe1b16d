'use client';

import { useEffect, useState } from 'react';
import { useBench } from '@/frame/BenchContext';

/** The colours of the light that is on, read from the page so that there is one place for them. */
export function useColours() {
  const { light } = useBench();
  const [colours, setColours] = useState({
    ink: '#241a17',
    soft: '#4b4441',
    line: '#a9b0b5',
    action: '#0b5c52',
    attention: '#7a5200',
  });
  useEffect(() => {
    const style = getComputedStyle(document.documentElement);
    const read = (name: string) => style.getPropertyValue(name).trim();
    // Colours live in the style sheet and are only known once it is applied.
    // oxlint-disable-next-line react/set-state-in-effect
    setColours({
      ink: read('--ink'),
      soft: read('--ink-soft'),
      line: read('--line'),
      action: read('--action'),
      attention: read('--attention'),
    });
  }, [light]);
  return colours;
}
