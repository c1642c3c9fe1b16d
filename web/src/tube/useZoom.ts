import { useCallback, useEffect, useRef, useState } from 'react';
import type { Drawn, Place, Zooming, Zooms } from './zooming';

const mostZoom = 10;

/** As it lies in its window until somebody moves it. */
const whole: Place = { k: 1, invert: (point) => point, toString: () => 'translate(0,0) scale(1)' };

/** Zoom and pan of a drawing. The wheel zooms only with Ctrl held, so that the page still scrolls; dragging pans. */
export function useZoom(width: number, height: number) {
  const svg = useRef<SVGSVGElement>(null);
  const [transform, setTransform] = useState<Place>(whole);
  const kept = useRef<{ behaviour: Zooms; zooming: Zooming } | null>(null);

  useEffect(() => {
    const element = svg.current;
    if (!element) return undefined;
    let left = false;
    let end = () => {
      left = true;
    };
    const begin = (zooming: Zooming) => {
      if (left) return;
      const { zoom, zoomIdentity, select } = zooming;
      const behaviour: Zooms = zoom<SVGSVGElement, unknown>()
        .scaleExtent([1, mostZoom])
        .extent([
          [0, 0],
          [width, height],
        ])
        .translateExtent([
          [0, 0],
          [width, height],
        ])
        .filter((event: Event) => {
          const onPart = event.target instanceof Element && event.target.closest('.movable') !== null;
          if (event.type === 'wheel') return (event as WheelEvent).ctrlKey;
          return !onPart && event.type !== 'dblclick' && !(event as MouseEvent).button;
        })
        .on('zoom', (event: { transform: Place }) => setTransform(event.transform));
      kept.current = { behaviour, zooming };
      const selection = select(element).call(behaviour);
      behaviour.transform(selection, zoomIdentity);
      end = () => selection.on('.zoom', null);
    };
    // Without it the drawing stands whole, and can be read.
    void import('./zooming').then(
      ({ zooming }) => begin(zooming),
      () => undefined,
    );
    return () => end();
  }, [width, height]);

  const onIt = useCallback((act: (behaviour: Zooms, zooming: Zooming, on: Drawn) => void) => {
    if (!svg.current || !kept.current) return;
    const { behaviour, zooming } = kept.current;
    act(behaviour, zooming, zooming.select<SVGSVGElement, unknown>(svg.current));
  }, []);
  const by = useCallback((factor: number) => onIt((behaviour, _, on) => behaviour.scaleBy(on, factor)), [onIt]);
  const fit = useCallback(
    () => onIt((behaviour, { zoomIdentity }, on) => behaviour.transform(on, zoomIdentity)),
    [onIt],
  );
  /** Brings a spot into view without changing the scale. */
  const show = useCallback(
    (x: number, y: number) => onIt((behaviour, _, on) => behaviour.translateTo(on, x, y)),
    [onIt],
  );
  return { svg, transform, by, fit, show };
}
