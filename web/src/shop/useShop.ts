'use client';

import { shopEntryProblems, type ShopEntryBody, type ShopEntryKind, type ShopState } from '@holotonos/core';
import { useOwnLog } from './useOwnLog';

const shopLog = { address: '/api/v1/shop', event: 'shop', also: ['stock'], problems: shopEntryProblems } as const;

/** Writes into the logbook of the shop. Resolves to null when written, else to what was wrong. */
export type WriteShop = <K extends ShopEntryKind>(kind: K, body: ShopEntryBody<K>) => Promise<string | null>;

/** The shop as it is now, and a way to write into its logbook. */
export function useShop(first: ShopState): { shop: ShopState; write: WriteShop } {
  const { state: shop, write } = useOwnLog(first, shopLog);
  return { shop, write };
}
