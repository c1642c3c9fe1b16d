export { assemblyGuide } from './assemblyGuide';
export { jobAssembly, type AssemblyLine, type JobAssembly } from './jobAssembly';
export { boardCells, nextCell, type Board } from './board';
export { placeWords, type OffPart } from './place';
export type { SoakState } from './soak.kind';
export type { NamedOffBody } from './namedOff.kind';
export { proposedRod, readNamedOff } from './nameOff';
export { stripOrder } from './stripOrder';
