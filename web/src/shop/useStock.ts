'use client';

import type { StockEntryBody, StockEntryKind, StockState, TicketNeed } from '@holotonos/core';
import { useOwnLog, type OwnLog } from './useOwnLog';

/** The drawers as their own page has them: what lies there, and what each open ticket will take. */
export interface StockNow {
  stock: StockState;
  needs: TicketNeed[];
}

const stockLog: OwnLog = {
  address: '/api/v1/stock',
  event: 'stock',
  problems: async (entry) => (await import('@holotonos/core/stockForms')).stockEntryProblems(entry),
};
/** What a ticket needs is said in its own logbook. */
const withNeeds: OwnLog = { ...stockLog, also: ['entry'] };

/** Writes into the logbook of the drawers. Resolves to null when written, else to what was wrong. */
export type WriteStock = <K extends StockEntryKind>(kind: K, body: StockEntryBody<K>) => Promise<string | null>;

/** What lies in the drawers and what tickets need of it, and a way to write into their logbook. */
export function useStock(first: StockNow): StockNow & { write: WriteStock } {
  const { state, write } = useOwnLog(first, withNeeds);
  return { ...state, write };
}

/** What lies in the drawers, for a page that asks nothing of other tickets: their entries do not fetch it again. */
export function useDrawers(first: StockState): { stock: StockState; write: WriteStock } {
  const { state, write } = useOwnLog<Pick<StockNow, 'stock'>>({ stock: first }, stockLog);
  return { stock: state.stock, write };
}
