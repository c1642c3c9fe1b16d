export { padPlaces, usualPadSet, type PadSetSettings, type StandBy } from './padPlaces';
export {
  choosePads,
  openingWords,
  padLine,
  pierceSizes,
  remedyWords,
  setLines,
  wantedPad,
  type PadAnswer,
  type PadRow,
} from './choosePads';
export { stackStands, type StackStands } from './stackStands';
export { chooseResonators, resonatorOf } from './resonators';
export { turnShims } from './turnShims';
export type { Shim, ShimsUnder } from './shims.kind';
export { cupAcross, usualCupDepth, usualStand } from './usualStand';
