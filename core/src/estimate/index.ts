export * from './money';
export * from './estimate';
export type { EstimateState } from './estimate.kind';
