export { forgetOwner, listOwners, ownerById, type Owner } from './owners';
export { forgottenOwner, personalFields } from './personal';
