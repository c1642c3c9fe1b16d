export type { BushingInput, BushingOutput } from './bushing.schema';
export { solveBushing } from './solveBushing';
export { bushingSolver } from './bushing.solver';
export { bushLines, bushWords, type PostBush, type PostBushBody } from './postBush.kind';
