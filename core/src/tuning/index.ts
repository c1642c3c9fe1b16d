export { solveTune, tuneSteps, type TuneProgress } from './solveTune';
export type { TuneInput, TuneOutput } from './tune.schema';
export { pitchSolver } from './pitch.solver';
export { tuneSolver } from './tune.solver';
export type { PitchInput } from './pitch.schema';
export { centsOf, resonanceNear } from './solvePitch';
export { inputImpedance, tubeOf, type Tube } from './tube';
