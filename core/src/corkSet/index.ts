export { corkAnswer, tenonGap, usualSqueeze, type CorkAnswer } from './corkAnswers';
export { cutFrom, type Rectangle } from './cutFrom';
export type { CorkPoint, CorkPointBody } from './corkPoint.kind';
