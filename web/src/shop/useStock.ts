'use client';

import {
  stockEntryProblems,
  type ItemCount,
  type StockEntryBody,
  type StockEntryKind,
  type StockState,
} from '@holotonos/core';
import { useOwnLog } from './useOwnLog';

/** The drawers as pages have them: what lies there, and what each open ticket will take. */
export interface StockNow {
  stock: StockState;
  needs: (ItemCount & { ticket: string })[];
}

// What a ticket needs is said in its own logbook.
const stockLog = { address: '/api/v1/stock', event: 'stock', also: ['entry'], problems: stockEntryProblems } as const;

/** Writes into the logbook of the drawers. Resolves to null when written, else to what was wrong. */
export type WriteStock = <K extends StockEntryKind>(kind: K, body: StockEntryBody<K>) => Promise<string | null>;

/** What lies in the drawers now, and a way to write into their logbook. */
export function useStock(first: StockNow): StockNow & { write: WriteStock } {
  const { state, write } = useOwnLog(first, stockLog);
  return { ...state, write };
}
