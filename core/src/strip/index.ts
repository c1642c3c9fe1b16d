export * from './assemblyGuide';
export * from './jobAssembly';
