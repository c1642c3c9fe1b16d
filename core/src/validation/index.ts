export * from './validate';
export * from './strangeText';
