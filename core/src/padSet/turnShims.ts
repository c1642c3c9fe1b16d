import type { Shim } from './shims.kind';

/**
 * Shims as they lie when their pad was turned: they move with it.
 *
 * @param by degrees, clockwise more than 0
 */
export const turnShims = (shims: readonly Shim[], by: number): Shim[] =>
  shims.map((shim) => ({ ...shim, clock: (((shim.clock + by) % 360) + 360) % 360 }));
