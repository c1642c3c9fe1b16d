export * from './seat.schema';
export * from './solveSeat';
export * from './shimStack';
export * from './seat.solver';
export { solvePadChoice } from './solvePadChoice';
export { padChoiceSolver } from './padChoice.solver';
export type { PadChoiceOutput } from './padChoice.schema';
