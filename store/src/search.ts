import {
  instrumentType,
  lengthUnits,
  partNames,
  readEntry,
  searchGroups,
  searchTerms,
  type Entry,
  type InstrumentType,
  type LengthUnit,
  type SearchGroup,
  type SearchTerms,
} from '@holotonos/core';
import { and, desc, eq, inArray, or, sql, type SQL } from 'drizzle-orm';
import type { Database } from './database';
import { unsealed } from './owners/personal';
import { entries, entryWordsVector, isStruck, jobs, kindList, searchedKinds } from './schema';

/** An entry that answers a search, with the ticket it stands in. */
export interface FoundEntry {
  ticket: string;
  entry: Entry;
}

/** One way of answering as a condition: words by their beginnings, a kind of finding as it stands. */
function answers({ words, kind }: SearchTerms): SQL {
  // One letter is a name of a note: everything begins with it.
  const query = words.map((word) => (word.length > 1 ? `${word}:*` : word)).join(' & ');
  const said = query === '' ? undefined : sql`${entryWordsVector(entries.body)} @@ to_tsquery('simple', ${query})`;
  const named = kind === null ? undefined : sql`(${entries.body} ->> 'kind') = ${kind}`;
  return and(said, named) ?? sql`false`;
}

/**
 * Entries whose words answer a search, newest first; of a finding that was said several times, the newest only. What was
 * struck is not found.
 *
 * @param group what is searched; everything when none is named
 * @param limit at most so many
 */
export async function findEntries(
  db: Database,
  { text, group, limit }: { text: string; group?: SearchGroup | undefined; limit: number },
): Promise<{ found: FoundEntry[]; more: boolean }> {
  const ways = searchTerms(text.replaceAll('\u0000', ''));
  if (ways.length === 0) return { found: [], more: false };
  const kinds = group ? kindList(searchGroups[group].kinds) : searchedKinds;
  // A finding is written down again whenever something becomes of it.
  const asked = 3 * limit + 1;
  const rows = await db
    .select({ ticket: jobs.ticket, entry: entries })
    .from(entries)
    .innerJoin(jobs, eq(jobs.id, entries.jobId))
    .where(and(sql.raw(`entries.kind in (${kinds})`), or(...ways.map(answers)), sql`not ${isStruck('entries')}`))
    .orderBy(desc(entries.receivedAt), desc(entries.seq))
    .limit(asked);
  const opened = await unsealed(
    db,
    rows.map(({ entry }) => entry),
  );
  const seen = new Set<string>();
  const found = rows.flatMap(({ ticket }, i): FoundEntry[] => {
    const row = opened[i];
    if (!row) return [];
    const entry = readEntry(row);
    const about = entry.kind === 'finding' ? `${row.jobId} ${entry.body.finding}` : `${row.jobId} ${row.id}`;
    if (seen.has(about)) return [];
    seen.add(about);
    return [{ ticket, entry }];
  });
  return { found: found.slice(0, limit), more: found.length > limit || rows.length === asked };
}

/** How what stands in a ticket is to be read. */
export interface HowItReads {
  /** what its parts are called; those that were named later keep their ids */
  names: ReadonlyMap<string, string>;
  unit: LengthUnit;
}

/** What of an intake says how to read the rest; it may be damaged. */
interface IntakeSaid {
  type: InstrumentType;
  instrumentType: string;
  unit: string;
}

/** How each of these tickets is to be read, by its newest intake. */
export async function howTicketsRead(db: Database, tickets: readonly string[]): Promise<Map<string, HowItReads>> {
  if (tickets.length === 0) return new Map();
  const rows = await db
    .select({ ticket: jobs.ticket, body: entries.body })
    .from(entries)
    .innerJoin(jobs, eq(jobs.id, entries.jobId))
    .where(and(inArray(jobs.ticket, [...new Set(tickets)]), eq(entries.kind, 'intake')))
    .orderBy(entries.seq);
  const newest = new Map(rows.map(({ ticket, body }) => [ticket, body as Partial<IntakeSaid>]));
  return new Map(
    [...newest].map(([ticket, { type, instrumentType: id = '', unit }]) => {
      const known = type ?? instrumentType(id);
      const names = known ? partNames(known) : new Map<string, string>();
      return [ticket, { names, unit: lengthUnits.find((each) => each === unit) ?? 'mm' }];
    }),
  );
}
