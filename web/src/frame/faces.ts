import { preload } from 'react-dom';

const faces = [
  new URL(
    '@fontsource-variable/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-wght-normal.woff2',
    import.meta.url,
  ),
  new URL('@fontsource/barlow-condensed/files/barlow-condensed-latin-500-normal.woff2', import.meta.url),
  new URL('@fontsource/barlow-condensed/files/barlow-condensed-latin-600-normal.woff2', import.meta.url),
];

/**
 * The faces every page is written in come along with it: one that came after the page was drawn would be drawn with another
 * face first, and everything would move when the right one is there.
 */
export function preloadFaces(): void {
  for (const { href } of faces) preload(href, { as: 'font', type: 'font/woff2', crossOrigin: 'anonymous' });
}
