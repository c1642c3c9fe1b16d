import { asc, gt, sql } from 'drizzle-orm';
import type { RawEntry } from '@holotonos/core';
import type { Database } from './database';
import { stampSql } from './guard';
import type { AnyKept, AnyNew, Folded, KeptLog } from './keptLog';
import type { OwnLogTable } from './schema';

/** What makes a logbook that belongs to no job: where its rows lie, and its rules. */
interface OwnLog<State extends Folded<Kept>, New extends AnyNew, Kept extends AnyKept> {
  /** what it is called in the log of faults */
  name: string;
  table: OwnLogTable;
  /** no row stands for it as one stands for a job: its writers queue up behind this number */
  lock: number;
  rules: KeptLog<State, New, Kept>['rules'];
  /** an entry from its row; total */
  read: (row: RawEntry) => Kept;
}

/** Such a logbook as the one engine of `keptLog` wants it. */
export const ownLog = <State extends Folded<Kept>, New extends AnyNew, Kept extends AnyKept>({
  name,
  table,
  lock,
  rules,
  read,
}: OwnLog<State, New, Kept>): KeptLog<State, New, Kept> => ({
  name,
  rules,
  after: async (db, seq) => {
    const rows = await db.select().from(table).where(gt(table.seq, seq)).orderBy(asc(table.seq));
    return rows.map(read);
  },
  lock: async (tx: Database) => {
    await tx.execute(sql`select pg_advisory_xact_lock(${lock})`);
    const { rows } = await tx.execute<{ stamp: string }>(sql`select ${stampSql} as stamp`);
    return rows[0]?.stamp ?? '';
  },
  insert: async (tx, seq, { id, kind, body, author, benchTime }) => {
    const [row] = await tx.insert(table).values({ seq, id, kind, body, author, benchTime }).returning();
    if (!row) throw new Error('insert returned no row');
    return read(row);
  },
});
