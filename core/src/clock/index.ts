export * from './clock';
