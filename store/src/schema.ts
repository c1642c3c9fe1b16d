import { integer, jsonb, pgTable, primaryKey, text, timestamp, unique, uuid } from 'drizzle-orm/pg-core';

/** One row a job. All that is known of a job stands in its entries; the row only gives them something to hang on. */
export const jobs = pgTable('jobs', {
  id: uuid().primaryKey().defaultRandom(),
  ticket: text().notNull().unique(),
  openedAt: timestamp({ withTimezone: true, mode: 'string' }).notNull().defaultNow(),
});

/**
 * The logbook. Append-only: triggers refuse update, delete and truncate. `seq` counts from 1 within a job without gaps,
 * given under a lock on the job's row, so that nobody who has read up to n can later miss an entry below n.
 */
export const entries = pgTable(
  'entries',
  {
    jobId: uuid()
      .notNull()
      .references(() => jobs.id),
    seq: integer().notNull(),
    id: uuid().notNull(),
    kind: text().notNull(),
    body: jsonb().notNull(),
    author: text().notNull(),
    benchTime: timestamp({ withTimezone: true, mode: 'string' }).notNull(),
    receivedAt: timestamp({ withTimezone: true, mode: 'string' }).notNull().defaultNow(),
  },
  (table) => [primaryKey({ columns: [table.jobId, table.seq] }), unique().on(table.jobId, table.id)],
);
