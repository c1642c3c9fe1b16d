'use client';

import type {
  NewStockEntry,
  StockEntry,
  StockEntryBody,
  StockEntryKind,
  StockState,
  TicketNeed,
} from '@holotonos/core';
import { ownLogs } from '@/outbox/queues';
import { useOwnLog, type OwnLog, type OwnLogParts } from './useOwnLog';

/** The drawers as their own page has them: what lies there, and what each open ticket will take. */
export interface StockNow {
  stock: StockState;
  needs: TicketNeed[];
}

async function parts<State extends { stock: StockState }>(): Promise<OwnLogParts<State>> {
  const { stockEntryProblems, stockEntryWords, stockWith } = await import('@holotonos/core/stockForms');
  return {
    problems: stockEntryProblems,
    withWaiting: (state, waiting) => ({ ...state, stock: stockWith(state.stock, waiting as NewStockEntry[]) }),
    words: (entry) => stockEntryWords(entry as StockEntry, new Map()),
  };
}
/** The drawers for a page that asks nothing of tickets: their entries do not fetch it again. */
export const stockLog: OwnLog<Pick<StockNow, 'stock'>> = { address: ownLogs.stock, event: 'stock', parts };
/** What a ticket needs is said in its own logbook. */
const withNeeds: OwnLog<StockNow> = { ...stockLog, also: ['entry'], parts };

/** Writes into the logbook of the drawers, for a form: null when written, or waiting to be, else what was wrong. */
export type WriteStock = <K extends StockEntryKind>(kind: K, body: StockEntryBody<K>) => Promise<string | null>;
/** The same for a press. */
export type PutStock = <K extends StockEntryKind>(kind: K, body: StockEntryBody<K>) => void;

/** What lies in the drawers and what tickets need of it, and ways to write into their logbook. */
export function useStock(first: StockNow): StockNow & { write: WriteStock; put: PutStock } {
  const { state, write, put } = useOwnLog(first, withNeeds);
  return { ...state, write, put };
}

/** What lies in the drawers, for a page that asks nothing of other tickets. */
export function useDrawers(first: StockState): { stock: StockState; write: WriteStock; put: PutStock } {
  const { state, write, put } = useOwnLog({ stock: first }, stockLog);
  return { stock: state.stock, write, put };
}
