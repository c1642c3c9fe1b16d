export { pitchSolver } from './pitch.solver';
