export * from './trueInstrument';
export * from './trueFigure';
export * from './hiddenJobs';
export { playedSound, type Blown, type Playing } from './player';
export { pitchesOf } from './truePitch';
export { playedInstrument } from './playedInstrument';
