export * from './assemblyGuide';
export * from './jobAssembly';
export * from './board';
export { placeWords, type OffPart } from './place';
export type { SoakState } from './soak.kind';
