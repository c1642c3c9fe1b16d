export * from './bushing.schema';
export * from './solveBushing';
export * from './bushing.solver';
export * from './postBush.kind';
