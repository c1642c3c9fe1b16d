export * from './validate';
