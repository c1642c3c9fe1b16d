export type { OwnerLink } from './ownerLink.kind';
export { linkOpens, ownerView, type OwnerOffer, type OwnerView } from './ownerView';
