import { desc } from 'drizzle-orm';
import type { Database } from '../database';
import { audit } from '../schema';

/** What stands in the audit: who came in, who did not, who was given which key, what left the house. */
export type Audited =
  | 'signed-in'
  | 'changed-hands'
  | 'refused'
  | 'first-owner'
  | 'bench-made'
  | 'key-made'
  | 'key-changed'
  | 'key-ended'
  | 'exported'
  | 'owner-forgotten'
  | 'restored';

/** Where the door writes down where a request comes from. */
export const addressHeader = 'x-holotonos-address';

export interface AuditLine {
  what: Audited;
  /** of whoever did it, or tried */
  who: string;
  about?: string;
  /** where it came from, as far as that is known */
  address?: string;
}

/** Writes down what happened; nothing is ever taken back. */
export async function noteAudit(db: Database, line: AuditLine): Promise<void> {
  const short = (text = '') => text.slice(0, 200);
  await db
    .insert(audit)
    .values({ what: line.what, who: short(line.who), about: short(line.about), address: short(line.address) });
}

/** The newest lines, newest first. @param limit 1 to 500 */
export const readAudit = (db: Database, limit = 100) =>
  db
    .select()
    .from(audit)
    .orderBy(desc(audit.seq))
    .limit(Math.min(500, Math.max(1, limit)));
