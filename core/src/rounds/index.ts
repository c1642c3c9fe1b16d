export * from './orderRound';
export * from './roundProgress';
export type { RoundState } from './round.kind';
