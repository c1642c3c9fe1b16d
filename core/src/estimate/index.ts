export * from './money';
export * from './estimate';
