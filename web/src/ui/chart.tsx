'use client';

import dynamic from 'next/dynamic';

/** Charts come after the page they stand on: what draws them weighs as much as half of it, and the figures stand in words. */
export const Bar = dynamic(() => import('./drawnChart').then((drawn) => drawn.Bar), { ssr: false });
export const Line = dynamic(() => import('./drawnChart').then((drawn) => drawn.Line), { ssr: false });

/** How an axis is written and ruled. */
export const axis = (text: string, ink: string, line: string) => ({
  title: { display: true, text, color: ink },
  ticks: { color: ink },
  grid: { color: line },
});
