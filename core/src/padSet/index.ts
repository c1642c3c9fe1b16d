export * from './padPlaces';
export * from './choosePads';
export * from './stackStands';
export * from './resonators';
export { turnShims } from './turnShims';
export type { Shim, ShimsUnder } from './shims.kind';
export { cupAcross, usualCupDepth, usualStand } from './usualStand';
