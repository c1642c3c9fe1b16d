'use client';

import type { ShopEntryBody, ShopEntryKind, ShopState } from '@holotonos/core';
import { useOwnLog, type OwnLog } from './useOwnLog';

const shopLog: OwnLog = {
  address: '/api/v1/shop',
  event: 'shop',
  also: ['stock'],
  problems: async (entry) => (await import('@holotonos/core/shopForms')).shopEntryProblems(entry),
};

/** Writes into the logbook of the shop. Resolves to null when written, else to what was wrong. */
export type WriteShop = <K extends ShopEntryKind>(kind: K, body: ShopEntryBody<K>) => Promise<string | null>;

/** The shop as it is now, and a way to write into its logbook. */
export function useShop(first: ShopState): { shop: ShopState; write: WriteShop } {
  const { state: shop, write } = useOwnLog(first, shopLog);
  return { shop, write };
}
