import type { ListQuestion, Standing } from '@holotonos/store';
import { valueOf, wordsOf, type Query } from '@/server/query';

/** Tickets on one page of the list. */
export const perPage = 40;
const mostSearch = 80;

/** What of the list can be asked for, and in which words. */
export const listViews = {
  all: { label: 'all tickets', standing: ['ready', 'waiting', 'over'] },
  open: { label: 'open tickets', standing: ['ready', 'waiting'] },
  ready: { label: 'ready for hands', standing: ['ready'] },
  waiting: { label: 'waiting for something', standing: ['waiting'] },
  over: { label: 'signed off', standing: ['over'] },
} as const satisfies Record<string, { label: string; standing: readonly Standing[] }>;
export type ListView = keyof typeof listViews;

/** How the tickets of a page stand together. */
export const listGroupings = {
  none: 'in order',
  stage: 'by stage',
  hands: 'by whose turn it is',
} as const;
export type ListGrouping = keyof typeof listGroupings;

/** What an address asks of the list of tickets. */
export interface AskedList {
  view: ListView;
  search: string;
  by: ListGrouping;
  /** from 1 */
  page: number;
  /** anything but all of it */
  narrowed: boolean;
  question: ListQuestion;
}

/** Reads the query of an address; what makes no sense in it is passed over. */
export function listOf(params: Query): AskedList {
  const asked = valueOf(params, 'show');
  const view = Object.hasOwn(listViews, asked) ? (asked as ListView) : 'all';
  const search = wordsOf(params, 'find', mostSearch);
  const grouped = valueOf(params, 'by');
  const by = Object.hasOwn(listGroupings, grouped) ? (grouped as ListGrouping) : 'none';
  const number = Math.trunc(Number(valueOf(params, 'page')));
  const page = number >= 1 && number <= 100_000 ? number : 1;
  return {
    view,
    search,
    by,
    page,
    narrowed: view !== 'all' || search !== '',
    question: { standing: listViews[view].standing, search, limit: perPage, offset: (page - 1) * perPage },
  };
}

/** The address of another page of the same list. */
export function listAddress({ view, search, by }: Pick<AskedList, 'view' | 'search' | 'by'>, page: number): string {
  const query = new URLSearchParams({
    ...(search !== '' && { find: search }),
    ...(view !== 'all' && { show: view }),
    ...(by !== 'none' && { by }),
    ...(page > 1 && { page: String(page) }),
  }).toString();
  return query === '' ? '/' : `/?${query}`;
}
