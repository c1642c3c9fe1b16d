import type { EntryKind } from '@holotonos/core';
import { desc, eq, inArray, sql } from 'drizzle-orm';
import type { Database } from '../database';
import { entries, owners } from '../schema';
import { nameHash, newKey, seal, sealedFor, unseal } from './seal';

/** What of an entry is about a person and not about an instrument. It stands sealed in the logbook. */
export const personalFields: Partial<Record<EntryKind, readonly string[]>> = {
  intake: ['owner', 'contact'],
  agreement: ['by'],
};
const fieldsOf = (kind: string): readonly string[] => personalFields[kind as EntryKind] ?? [];

/** Who signs what an owner answers by their link: the name they give stands in the answer, sealed. */
export const byOwnersLink = 'The owner, by their link';

/** What stands where an owner was. */
export const forgottenOwner = '(forgotten)';

interface Row {
  kind: string;
  body: unknown;
}
type Fields = Record<string, unknown>;
const isFields = (body: unknown): body is Fields => typeof body === 'object' && body !== null && !Array.isArray(body);

/** The owner of this name, with the key; made where there is none yet. */
async function ownerOf(tx: Database, name: string): Promise<{ id: string; key: Buffer }> {
  const hash = nameHash(name);
  await tx.insert(owners).values({ nameHash: hash, key: newKey() }).onConflictDoNothing();
  // Held until the transaction ends: an owner is not forgotten while something is written of them.
  const [found] = await tx.select().from(owners).where(eq(owners.nameHash, hash)).for('share');
  if (!found) throw new Error('the key of an owner went while it was asked for');
  return found;
}

/** The owner the newest intake of a job is sealed for; null where none is. */
async function ownerOfJob(tx: Database, jobId: string): Promise<{ id: string; key: Buffer } | null> {
  const [row] = await tx
    .select({ owner: sql<string | null>`${entries.body} ->> 'owner'` })
    .from(entries)
    .where(sql`${entries.jobId} = ${jobId} and ${entries.kind} = 'intake'`)
    .orderBy(desc(entries.seq))
    .limit(1);
  const id = sealedFor(row?.owner);
  if (id === null) return null;
  const [found] = await tx.select().from(owners).where(eq(owners.id, id)).for('share');
  return found ?? null;
}

/**
 * Entries as they are written down: what is said of a person is sealed with the key of the owner of the job. In the order of
 * the logbook, for an answer belongs to the owner of the intake before it.
 *
 * @returns the same bodies where there is nothing to seal
 */
export async function sealed<R extends Row>(tx: Database, jobId: string, list: readonly R[]): Promise<R[]> {
  let current: { id: string; key: Buffer } | null | undefined;
  const done: R[] = [];
  for (const row of list) {
    const fields = fieldsOf(row.kind);
    if (fields.length === 0 || !isFields(row.body)) {
      done.push(row);
      continue;
    }
    if (row.kind === 'intake' && typeof row.body['owner'] === 'string') current = await ownerOf(tx, row.body['owner']);
    else current ??= await ownerOfJob(tx, jobId);
    const body: Fields = { ...row.body };
    for (const field of fields) {
      const text = body[field];
      if (typeof text === 'string' && current) body[field] = seal(text, current.id, current.key);
    }
    done.push({ ...row, body });
  }
  return done;
}

/** Rows as they are read: what is sealed is opened where its key is still there; of a forgotten owner nothing is left. */
export async function unsealed<R extends Row>(db: Database, list: readonly R[]): Promise<R[]> {
  const wanted = new Set(
    list.flatMap(({ kind, body }) =>
      isFields(body) ? fieldsOf(kind).flatMap((field) => sealedFor(body[field]) ?? []) : [],
    ),
  );
  if (wanted.size === 0) return [...list];
  const keys = new Map(
    (
      await db
        .select({ id: owners.id, key: owners.key })
        .from(owners)
        .where(inArray(owners.id, [...wanted]))
    ).map(({ id, key }) => [id, key]),
  );
  return list.map((row) => {
    if (!isFields(row.body)) return row;
    const body: Fields = { ...row.body };
    for (const field of fieldsOf(row.kind)) {
      const owner = sealedFor(body[field]);
      if (owner === null) continue;
      const key = keys.get(owner);
      const text = key ? unseal(body[field] as string, key) : null;
      if (text !== null) body[field] = text;
      // An intake says whose instrument it is; whatever else was said of a person may be missing.
      else if (field === 'owner') body[field] = forgottenOwner;
      else Reflect.deleteProperty(body, field);
    }
    return { ...row, body };
  });
}
