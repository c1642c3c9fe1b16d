export {
  chanceFrom,
  gaugeShows,
  soundInstrument,
  trueGaps,
  trueRimHeight,
  type Chance,
  type TrueInstrument,
  type TrueRim,
} from './trueInstrument';
export { trueFigure } from './trueFigure';
export { hiddenInstrument } from './hiddenJobs';
export { playedSound, type Blown, type Playing } from './player';
export { pitchesOf } from './truePitch';
export { playedInstrument } from './playedInstrument';
