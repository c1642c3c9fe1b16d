export * from './shopEntry.schema';
export * from './shopState';
export * from './gaugeTrust';
export * from './planBasis';
export * from './readShopEntry';
