export type { PadAdvice, PadPicture, SeatInput, SeatOutput } from './seat.schema';
export { solveSeat } from './solveSeat';
export { greatestStack, shimStacks } from './shimStack';
export { seatSolver } from './seat.solver';
export { padChoiceOrNone, solvePadChoice } from './solvePadChoice';
export { padChoiceSolver } from './padChoice.solver';
export type { PadChoiceInput, PadChoiceOutput } from './padChoice.schema';
