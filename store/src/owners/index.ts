export { forgetOwner, listOwners, ownerById, type Owner } from './owners';
export { ownerArchive } from './ownerArchive';
export { byOwnersLink, forgottenOwner } from './personal';
