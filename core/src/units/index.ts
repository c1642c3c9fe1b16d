export * from './units';
export * from './parseLength';
export * from './printLength';
