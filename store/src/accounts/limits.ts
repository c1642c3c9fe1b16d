import { sql } from 'drizzle-orm';
import { randomUUID } from 'node:crypto';
import type { Database } from '../database';

/**
 * Counts one more of something that may be done only so often; every web process counts in the same place.
 *
 * @param key what is counted, and of whom
 * @param most within the window
 * @returns seconds to wait where it was too often, 0 where it may go on
 */
export async function allow(db: Database, key: string, most: number, windowMs: number): Promise<number> {
  const now = Date.now();
  const { rows } = await db.execute<{ count: number; last_request: string }>(sql`
    insert into rate_limits as r (id, key, count, last_request) values (${randomUUID()}, ${key}, 1, ${now})
    on conflict (key) do update set
      count = case when r.last_request <= ${now - windowMs} then 1 else r.count + 1 end,
      last_request = case when r.last_request <= ${now - windowMs} then ${now} else r.last_request end
    returning count, last_request`);
  const [row] = rows;
  if (!row || row.count <= most) return 0;
  return Math.max(1, Math.ceil((Number(row.last_request) + windowMs - now) / 1000));
}
