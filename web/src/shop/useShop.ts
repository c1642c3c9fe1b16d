'use client';

import type { NewShopEntry, ShopEntry, ShopEntryBody, ShopEntryKind, ShopState } from '@holotonos/core';
import { ownLogs } from '@/outbox/queues';
import { useOwnLog, useOwnWrite, type OwnLog } from './useOwnLog';

export const shopLog: OwnLog<ShopState> = {
  address: ownLogs.shop,
  event: 'shop',
  also: ['stock'],
  parts: async () => {
    const { shopEntryProblems, shopEntryWords, shopWith } = await import('@holotonos/core/shopForms');
    return {
      problems: shopEntryProblems,
      withWaiting: (shop, waiting) => shopWith(shop, waiting as NewShopEntry[]),
      words: (entry) => shopEntryWords(entry as ShopEntry, new Map()),
    };
  },
};

/** Writes into the logbook of the shop, for a form: null when written, or waiting to be, else what was wrong. */
export type WriteShop = <K extends ShopEntryKind>(kind: K, body: ShopEntryBody<K>) => Promise<string | null>;
/** The same for a press. */
export type PutShop = <K extends ShopEntryKind>(kind: K, body: ShopEntryBody<K>) => void;

/** The shop as it is now, and ways to write into its logbook. */
export function useShop(first: ShopState): { shop: ShopState; write: WriteShop; put: PutShop } {
  const { state: shop, write, put } = useOwnLog(first, shopLog);
  return { shop, write, put };
}

/** Writes into the logbook of the shop from a page that does not show it. */
export const useShopWrite = (): WriteShop => useOwnWrite(shopLog).write;
