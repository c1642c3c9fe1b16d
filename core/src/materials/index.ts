export * from './chosen';
export type { ChosenBody, ChosenLine } from './chosen.kind';
