export type { OwnerLink } from './ownerLink.kind';
export * from './ownerView';
