export { forgetOwner, listOwners, ownerById, type Owner } from './owners';
export { ownerArchive } from './ownerArchive';
export { forgottenOwner, personalFields } from './personal';
