export * from './practices';
export * from './practiceWords';
export * from './tolerances';
export { changesProblems } from './limitProblems';
