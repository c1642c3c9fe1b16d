export * from './tolerances';
export * from './practices';
