import type { Envelope, Receipt } from '../logbook';
import type { shopKinds } from './kinds';

export type ShopEntryKind = keyof typeof shopKinds;
export type ShopEntryBody<K extends ShopEntryKind> = Parameters<(typeof shopKinds)[K]['fold']>[1]['body'];

/** An entry on its way to the logbook of the shop. */
export type NewShopEntry = { [K in ShopEntryKind]: Envelope & { kind: K; body: ShopEntryBody<K> } }[ShopEntryKind];
/** An entry in it. */
export type ShopEntry = NewShopEntry & Receipt;
