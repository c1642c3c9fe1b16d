export * from './orderRound';
export * from './roundProgress';
