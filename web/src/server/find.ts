import 'server-only';
import { entryWords, searchGroupOf, searchGroups, type SearchGroup } from '@holotonos/core';
import { findEntries, howTicketsRead, listTickets, type TicketLine } from '@holotonos/store';
import { getDb } from './store';

/** A line that was found, as a page shows it. */
export interface FoundLine {
  id: string;
  ticket: string;
  group: SearchGroup;
  words: string;
  /** what was added in words of one’s own, where the line does not say it itself */
  said: string;
  author: string;
  benchTime: string;
  href: string;
  /** the picture, and what it is of */
  photo: { id: string; width: number; height: number } | null;
}

export interface Found {
  tickets: TicketLine[];
  moreTickets: number;
  lines: FoundLine[];
  more: boolean;
}

const mostTickets = 8;
const mostLines = 40;

/** Where each group is looked at within its job. */
const pages: Record<SearchGroup, string> = {
  findings: '/findings',
  notes: '',
  decisions: '/record',
  work: '/plan',
  photos: '',
};

/** All that answers a search: tickets by what they are, and what stands in them in words. */
export async function find(text: string, group?: SearchGroup): Promise<Found> {
  if (text === '') return { tickets: [], moreTickets: 0, lines: [], more: false };
  const db = getDb();
  const [{ lines: tickets, total }, { found, more }] = await Promise.all([
    group ? { lines: [], total: 0 } : listTickets(db, { search: text, limit: mostTickets }),
    findEntries(db, { text, group, limit: mostLines }),
  ]);
  const reading = await howTicketsRead(
    db,
    found.map(({ ticket }) => ticket),
  );
  return {
    tickets,
    moreTickets: total - tickets.length,
    more,
    lines: found.flatMap(({ ticket, entry }): FoundLine[] => {
      const known = searchGroupOf(entry.kind);
      if (!known) return [];
      const { names, unit } = reading.get(ticket) ?? { names: new Map<string, string>(), unit: 'mm' as const };
      const words = entryWords(entry, names, unit);
      const { note = '', reason = '' } = entry.body as { note?: string; reason?: string };
      const said = [note, reason].filter((each) => each !== '' && !words.includes(each)).join(' ');
      const { id, author, benchTime } = entry;
      const photo =
        entry.kind === 'photo' ? { id: entry.body.photo, width: entry.body.width, height: entry.body.height } : null;
      const href = `/jobs/${encodeURIComponent(ticket)}${pages[known]}`;
      return [{ id, ticket, group: known, words, said, author, benchTime, href, photo }];
    }),
  };
}

/** Is this a group that can be searched? */
export const isSearchGroup = (name: string): name is SearchGroup => Object.hasOwn(searchGroups, name);
