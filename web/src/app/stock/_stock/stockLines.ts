import {
  byKind,
  bySize,
  countsByItem,
  onTheWay,
  orderProposal,
  parseNumber,
  stockTable,
  bagTitle,
  type ItemCount,
  type StockEntryBody,
  type StockItem,
  type StockKind,
  type StockState,
  type TicketNeed,
} from '@holotonos/core';

/** Something in the drawers as the page lists it. */
export interface StockLine {
  item: StockItem;
  title: string;
  needed: number;
  coming: number;
  /** what somebody should see to; null where all is well */
  alarm: string | null;
}

/** The day an adhesive ends, and how full a drawer is: the first thing to be seen to. */
function alarmOf(item: StockItem, needed: number, today: string): string | null {
  if (item.count < 0) return 'count again';
  if (item.useBy !== undefined && item.useBy < today) return 'past its day';
  if (item.count < needed) return 'short';
  return item.low !== undefined && item.count < item.low ? 'low' : null;
}

/**
 * What lies in the drawers, kind by kind and by size; what was put away is left out.
 *
 * @param search words that all have to be found in title, kind or id
 * @param today ISO date
 */
export function stockLines(
  stock: StockState,
  needs: readonly ItemCount[],
  { search, kind, today }: { search: string; kind: StockKind | null; today: string },
): StockLine[] {
  const words = search.toLowerCase().split(/\s+/).filter(Boolean);
  const needed = countsByItem(needs);
  const coming = onTheWay(stock);
  return stock.items
    .filter((item) => !item.retired && (kind === null || item.kind === kind))
    .map((item): StockLine => {
      const wanted = needed.get(item.id) ?? 0;
      return {
        item,
        title: bagTitle(item),
        needed: wanted,
        coming: coming.get(item.id) ?? 0,
        alarm: alarmOf(item, wanted, today),
      };
    })
    .filter(({ title, item }) => {
      const text = `${title} ${stockTable[item.kind].many} ${item.id}`.toLowerCase();
      return words.every((word) => text.includes(word));
    })
    .sort(({ item: a }, { item: b }) => byKind(a, b) || (a.hole ?? 0) - (b.hole ?? 0) || bySize(a, b));
}

/** What was typed at a drawer: a figure says how many there are, with a sign how many were taken or put back. */
export function readMove(typed: string): Omit<StockEntryBody<'move'>, 'item'> | { problem: string } {
  const [, sign = '', rest = ''] = /^\s*([-−+]?)\s*(.*)$/.exec(typed) ?? [];
  const count = parseNumber(rest);
  if (count === null || count < 0)
    return { problem: 'Type how many there are, or −3 for three taken, +6 for six put back.' };
  if (sign === '') return { why: 'counted', count };
  return { why: sign === '+' ? 'put-back' : 'taken', count };
}

/** What would be ordered now, with the tickets that ask for each. */
export const toOrder = (stock: StockState, needs: readonly TicketNeed[]) =>
  orderProposal(stock, needs).map((line) => ({
    ...line,
    title: bagTitle(line.item),
    tickets: needs.filter(({ item }) => item === line.item.id).map(({ ticket }) => ticket),
  }));
