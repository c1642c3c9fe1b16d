import { drizzle } from 'drizzle-orm/node-postgres';
import type { Client } from 'pg';
import type { Database } from '../database';
import * as schema from '../schema';
import { byOwnersLink, personalFields, sealed } from './personal';
import { sealedFor } from './seal';

/** Rows sealed in one statement after another; a page of them is held at once. */
const atOnce = 500;

/**
 * Seals what was written of owners before they had keys, or comes out of a backup of that time. The only hand that ever
 * changes ink, as the owner of the database and all in one transaction: what the entries say stays the same.
 *
 * @param client as the owner of the database
 * @returns how many entries were sealed
 */
export async function sealOld(client: Client): Promise<number> {
  const kinds = Object.keys(personalFields);
  const open = `kind = any($1) and (${Object.entries(personalFields)
    .map(([kind, [first]]) => `(kind = '${kind}' and body ? '${first}' and body ->> '${first}' not like 'sealed:1:%')`)
    .join(' or ')})`;
  const { rowCount } = await client.query(`select 1 from entries where ${open} limit 1`, [kinds]);
  if (!rowCount) return 0;
  const db = drizzle(client, { schema, casing: 'snake_case' }) as unknown as Database;
  let count = 0;
  await client.query('begin');
  try {
    await client.query('alter table entries disable trigger entries_append_only');
    for (let last = ['00000000-0000-0000-0000-000000000000', 0] as [string, number]; ;) {
      const { rows } = await client.query<{ job_id: string; seq: number; kind: string; body: unknown; author: string }>(
        `select job_id, seq, kind, body, author from entries where ${open} and (job_id, seq) > ($2, $3)
         order by job_id, seq limit ${atOnce}`,
        [kinds, ...last],
      );
      for (const row of rows) {
        const [kept] = await sealed(db, row.job_id, [row]);
        const first = personalFields[row.kind as keyof typeof personalFields]?.[0] ?? '';
        const body = kept?.body as Record<string, unknown> | undefined;
        // What belongs to nobody who is known stays as it is.
        if (!body || sealedFor(body[first]) === null) continue;
        // An owner's own answer was signed with the name they gave.
        const { by } = row.body as { by?: unknown };
        const author = row.kind === 'agreement' && by === row.author ? byOwnersLink : row.author;
        await client.query('update entries set body = $3, author = $4 where job_id = $1 and seq = $2', [
          row.job_id,
          row.seq,
          body,
          author,
        ]);
        count += 1;
      }
      const end = rows.at(-1);
      if (!end || rows.length < atOnce) break;
      last = [end.job_id, end.seq];
    }
    await client.query('alter table entries enable trigger entries_append_only');
    await client.query('commit');
  } catch (error) {
    await client.query('rollback');
    throw error;
  }
  return count;
}
