export * from './practices';
export * from './practiceWords';
export * from './tolerances';
