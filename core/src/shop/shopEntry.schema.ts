import { bodiesOf, newEntrySchemaOf, storedEntrySchemaOf } from '../logbook/envelope.schema';
import { shopKinds } from './kinds';
import type { ShopEntryKind } from './shopEntry';

export const shopEntryKinds = Object.keys(shopKinds) as ShopEntryKind[];

/** The body of each kind of entry of the shop's logbook. */
export const shopEntryBodies = bodiesOf(shopKinds);

/** An entry of the shop's own logbook as a client writes it. */
export const newShopEntrySchema = newEntrySchemaOf(shopEntryKinds);
/** An entry of the shop's own logbook as the database keeps it. */
export const storedShopEntrySchema = storedEntrySchemaOf(shopEntryKinds);
