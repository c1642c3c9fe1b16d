export * from './seat.schema';
export * from './solveSeat';
export * from './shimStack';
export * from './seat.solver';
export { padChoiceOrNone, solvePadChoice } from './solvePadChoice';
export { padChoiceSolver } from './padChoice.solver';
export type { PadChoiceInput, PadChoiceOutput } from './padChoice.schema';
