export * from './assemblyGuide';
export * from './jobAssembly';
export * from './board';
export { placeWords, type OffPart } from './place';
export type { SoakState } from './soak.kind';
export type { NamedOffBody } from './namedOff.kind';
export * from './nameOff';
export * from './stripOrder';
