export { chosenKey, chosenSums, lineFor, needsOf, putIn, takenBy, usedOf, type Chosen } from './chosen';
export type { ChosenBody, ChosenLine } from './chosen.kind';
