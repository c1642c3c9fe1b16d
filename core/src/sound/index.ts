export { heardWith, type HeardWith } from './heardWith';
export { whichNote, type NamedPitch } from './whichNote';
export { partnersOf } from './partners';
export { fingeredLike } from './fingeredLike';
export { centsText, compassOf, frequencyOf, semitoneOf, type Fingering } from './notes';
export { soundOf, ventOf, type Slit, type SoundTube, type WallLeak } from './soundTube';
export { heardFrom, leaksByNote, quickLoss, soundNotes, type NoteLoss, type SoundNote } from './leaksByNote';
export {
  heardAs,
  heardOf,
  leakEffects,
  leakEffectsSteps,
  suspects,
  usualLand,
  usualReach,
  type Heard,
  type EffectsProgress,
  type LeakEffects,
  type Place,
  type Suspect,
} from './suspects';
export {
  heightsOf,
  kindOfPlace,
  leaksOf,
  partOfPlace,
  placesOf,
  usualSlit,
  wallOf,
  type KnownLeak,
  type LeakyJob,
} from './leaksOf';
export {
  boundWords,
  cutLimits,
  cutsMade,
  doubtOfHole,
  holesNow,
  mayCut,
  noteLimit,
  notesPutOut,
  raisedBy,
  tuneAnswer,
  tuneQuestion,
  ventsOf,
  type CutLimits,
  type CutMade,
  type NotePutOut,
  type TunedJob,
  type Vent,
} from './tuningPlan';
export { playSheet, type SheetLine } from './playSheet';
export { isGood, resultsOf, resultWords, type TestResult, type TestedLine } from './tested.kind';
export { heardWords, type PlayedBody, type PlayedNote } from './played.kind';
