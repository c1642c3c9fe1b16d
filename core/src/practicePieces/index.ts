export { pieceProblems } from './checkPiece';
export { faultWords } from './faultWords';
export { layOut, pieceType, type LaidOut } from './hiddenMechanism';
export { gradesOf, gradeWords, newPiece } from './newPiece';
export { grades, type Grade, type PieceFault, type PracticePiece } from './piece.schema';
export { reviewPiece, type PieceJob, type PieceReview } from './review';
export { seenAt, type PieceLook, type PieceSeen } from './seen';
