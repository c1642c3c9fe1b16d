import { select } from 'd3-selection';
import { zoom, zoomIdentity, type ZoomBehavior, type ZoomTransform } from 'd3-zoom';
import { useCallback, useEffect, useRef, useState } from 'react';

const mostZoom = 10;

/** Zoom and pan of a drawing. The wheel zooms only with Ctrl held, so that the page still scrolls; dragging pans. */
export function useZoom(width: number, height: number) {
  const svg = useRef<SVGSVGElement>(null);
  const [transform, setTransform] = useState<ZoomTransform>(zoomIdentity);
  const behaviour = useRef<ZoomBehavior<SVGSVGElement, unknown> | null>(null);

  useEffect(() => {
    const element = svg.current;
    if (!element) return undefined;
    const zooming = zoom<SVGSVGElement, unknown>()
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
      .on('zoom', (event: { transform: ZoomTransform }) => setTransform(event.transform));
    behaviour.current = zooming;
    const selection = select(element).call(zooming);
    zooming.transform(selection, zoomIdentity);
    return () => {
      selection.on('.zoom', null);
    };
  }, [width, height]);

  const by = useCallback((factor: number) => {
    if (svg.current) behaviour.current?.scaleBy(select(svg.current), factor);
  }, []);
  const fit = useCallback(() => {
    if (svg.current) behaviour.current?.transform(select(svg.current), zoomIdentity);
  }, []);
  /** Brings a spot into view without changing the scale. */
  const show = useCallback((x: number, y: number) => {
    if (svg.current) behaviour.current?.translateTo(select(svg.current), x, y);
  }, []);
  return { svg, transform, by, fit, show };
}
