export * from './freshId';
