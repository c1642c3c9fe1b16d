import { randomUUID } from 'node:crypto';
import type { NewEntry } from '@holotonos/core';
import { and, asc, desc, eq, inArray, sql } from 'drizzle-orm';
import { noteAudit } from '../accounts/audit';
import type { Database } from '../database';
import { dropRemembered } from '../guard';
import { appendEntry, jobByTicket, jobState } from '../logbook';
import { entries, jobs, owners, secrets, summaries } from '../schema';
import { hasWords } from '../summaries';
import { sealedFor } from './seal';
import { unsealed } from './personal';

/** Somebody whose instruments are or were here. */
export interface Owner {
  id: string;
  name: string;
  contact: string;
  /** newest first */
  tickets: string[];
}

/** The owner an intake is sealed for, as the index has it. */
const owned = sql<string>`left(${entries.body} ->> 'owner', 45)`;
const mostOwners = 50;
/** Intakes that are gone through for a list of owners. */
const mostIntakes = 500;

/** Intakes, newest first, by owner. */
async function ownersIn(
  db: Database,
  rows: readonly { ticket: string; kind: string; body: unknown }[],
): Promise<Owner[]> {
  const opened = await unsealed(db, rows);
  const found = new Map<string, Owner>();
  rows.forEach(({ ticket, body }, i) => {
    const id = sealedFor((body as { owner?: unknown }).owner);
    if (id === null) return;
    const { owner = '', contact = '' } = (opened[i]?.body ?? {}) as { owner?: string; contact?: string };
    const known = found.get(id) ?? { id, name: owner, contact, tickets: [] };
    const tickets = known.tickets.includes(ticket) ? known.tickets : [...known.tickets, ticket];
    found.set(id, { ...known, contact: known.contact || contact, tickets });
  });
  return [...found.values()];
}

/**
 * Owners whose key is still there, those with the newest ticket first, 50 at most.
 *
 * @param search words of their name or of what their instrument is called; all when empty
 */
export async function listOwners(db: Database, search: string): Promise<Owner[]> {
  const rows = await db
    .select({ ticket: jobs.ticket, kind: entries.kind, body: entries.body })
    .from(entries)
    .innerJoin(jobs, eq(jobs.id, entries.jobId))
    .innerJoin(summaries, eq(summaries.jobId, entries.jobId))
    .innerJoin(owners, sql`${owned} = 'sealed:1:' || ${owners.id}::text`)
    .where(and(sql`${entries.kind} = 'intake'`, ...hasWords(search)))
    .orderBy(desc(entries.receivedAt))
    .limit(mostIntakes);
  return (await ownersIn(db, rows)).slice(0, mostOwners);
}

/** One owner with every ticket; null where there is none, or it is forgotten. */
export async function ownerById(db: Database, id: string): Promise<Owner | null> {
  const [key] = await db.select({ id: owners.id }).from(owners).where(eq(owners.id, id));
  if (!key) return null;
  const rows = await db
    .select({ ticket: jobs.ticket, kind: entries.kind, body: entries.body })
    .from(entries)
    .innerJoin(jobs, eq(jobs.id, entries.jobId))
    .where(and(sql`${entries.kind} = 'intake'`, eq(owned, `sealed:1:${id}`)))
    .orderBy(desc(entries.receivedAt), asc(entries.seq));
  const [owner] = await ownersIn(db, rows);
  return owner ?? { id, name: '', contact: '', tickets: [] };
}

/**
 * Forgets an owner: the key that opens their name in every logbook is destroyed, and with it what lists show of them. Their
 * links are taken back first. The instruments and all that was done to them stay.
 *
 * @param author who does so
 * @param now ISO 8601
 * @returns the tickets in which the owner stood; null where there is no such owner any more
 */
export async function forgetOwner(db: Database, id: string, author: string, now: string): Promise<string[] | null> {
  const owner = await ownerById(db, id);
  if (!owner) return null;
  for (const ticket of owner.tickets) {
    const job = await jobByTicket(db, ticket);
    if (!job) continue;
    const { ownerLinks } = await jobState(db, job.id);
    for (const [link, { over }] of ownerLinks) {
      if (over) continue;
      const body = { link };
      const entry = { id: randomUUID(), kind: 'owner-link-over', author, benchTime: now, body } as NewEntry;
      await appendEntry(db, ticket, entry);
    }
  }
  const gone = await db.transaction(async (tx) => {
    const removed = await tx.delete(owners).where(eq(owners.id, id)).returning({ id: owners.id });
    if (removed.length === 0) return false;
    if (owner.tickets.length > 0) await tx.delete(summaries).where(inArray(summaries.ticket, owner.tickets));
    // Every process drops what it remembers of the logbooks, this name among it.
    await tx
      .insert(secrets)
      .values({ name: 'forgotten', value: randomUUID() })
      .onConflictDoUpdate({ target: secrets.name, set: { value: randomUUID() } });
    // The tickets stand there, and no name.
    await noteAudit(tx, { what: 'owner-forgotten', who: author, about: owner.tickets.join(', ') });
    return true;
  });
  dropRemembered();
  return gone ? owner.tickets : null;
}
