export { orderRound } from './orderRound';
export { roundProgress } from './roundProgress';
export type { RoundState } from './round.kind';
