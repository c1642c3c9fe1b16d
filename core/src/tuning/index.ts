export { pitchSolver } from './pitch.solver';
export { tuneSolver } from './tune.solver';
