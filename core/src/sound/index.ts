export { centsText, compassOf, fingeringWords, frequencyOf, semitoneOf, type Fingering } from './notes';
export { soundOf, ventOf, warm, type Slit, type SoundTube, type WallLeak } from './soundTube';
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
export { heightsOf, leaksOf, partOfPlace, placesOf, usualSlit, wallOf, type KnownLeak, type LeakyJob } from './leaksOf';
export { heardWords, type PlayedBody, type PlayedNote } from './played.kind';
