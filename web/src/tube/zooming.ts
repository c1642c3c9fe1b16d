import { select, type Selection } from 'd3-selection';
import { zoom, zoomIdentity, type ZoomBehavior, type ZoomTransform } from 'd3-zoom';

/** What zooms a drawing, in a piece of its own: the drawing stands before anybody zooms it. */
export const zooming = { select, zoom, zoomIdentity };
export type Zooming = typeof zooming;
/** The drawing as it is zoomed, how, and where it lies then. */
export type Drawn = Selection<SVGSVGElement, unknown, null, undefined>;
export type Zooms = ZoomBehavior<SVGSVGElement, unknown>;
export type Place = Pick<ZoomTransform, 'k' | 'invert' | 'toString'>;
