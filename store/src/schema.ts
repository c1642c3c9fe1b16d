import { searchGroups, type BenchRow, type Outcome, type Role } from '@holotonos/core';
import { sql, type SQL } from 'drizzle-orm';
import {
  bigint,
  boolean,
  check,
  customType,
  doublePrecision,
  index,
  integer,
  jsonb,
  pgTable,
  primaryKey,
  smallint,
  text,
  timestamp,
  unique,
  uuid,
  type AnyPgColumn,
} from 'drizzle-orm/pg-core';

/** Raw bytes, in and out as a Buffer. */
const bytea = customType<{ data: Buffer }>({ dataType: () => 'bytea' });
/** A serial by its letters and figures only: it is written with and without blanks and strokes. */
export const bareSerial = (text: SQL | AnyPgColumn): SQL =>
  sql`regexp_replace(lower(${text}), '[^[:alnum:]]', '', 'g')`;
/** What the schema of an entry lets through; beyond it PostgreSQL and JavaScript count years in their own ways. */
const ofThisAge = (column: AnyPgColumn) => sql`${column} >= '1899-12-31' and ${column} < '2101-01-02'`;
/** The words of an entry, as PostgreSQL searches them: every text in it, in no language. */
export const entryWordsVector = (body: SQL | AnyPgColumn): SQL =>
  sql`jsonb_to_tsvector('simple'::regconfig, ${body}, '["string"]'::jsonb)`;
/** Kinds of entries as a list of SQL: an index that knows them by name is used only where they stand there by name. */
export const kindList = (kinds: readonly string[]): string => kinds.map((kind) => `'${kind}'`).join(', ');
/** Kinds of entries that are searched. */
export const searchedKinds = kindList(Object.values(searchGroups).flatMap(({ kinds }) => [...kinds]));
/** Is an entry struck? @param table what the entries are called in the query */
export const isStruck = (table: string): SQL =>
  sql.raw(`exists (select 1 from entries struck_by where struck_by.job_id = ${table}.job_id and struck_by.kind = 'strike'
    and struck_by.body ->> 'entry' = ${table}.id::text)`);
const timeOf = () => timestamp({ withTimezone: true, mode: 'string' });

/** One row a job. All that is known of a job stands in its entries; the row only gives them something to hang on. */
export const jobs = pgTable('jobs', {
  id: uuid().primaryKey().defaultRandom(),
  ticket: text().notNull().unique(),
  openedAt: timeOf().notNull().defaultNow(),
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
    benchTime: timeOf().notNull(),
    receivedAt: timeOf().notNull().defaultNow(),
  },
  (table) => [
    primaryKey({ columns: [table.jobId, table.seq] }),
    unique().on(table.jobId, table.id),
    check('entries_of_this_age', ofThisAge(table.benchTime)),
    // Who was here before is asked of every ticket, too.
    index('entries_serial')
      .on(bareSerial(sql`body->>'serial'`))
      .where(sql`kind = 'intake'`),
    // Whether a ticket is open is asked of every ticket at once, however long their logbooks are.
    // Everything that is said of one owner, to be taken out or forgotten.
    index('entries_owner')
      .on(sql`left(body->>'owner', 45)`)
      .where(sql`kind = 'intake'`),
    index('entries_sign_off')
      .on(table.jobId)
      .where(sql`kind = 'sign-off'`),
    index('entries_strike')
      .on(table.jobId)
      .where(sql`kind = 'strike'`),
    // What is said in words is searched by its words. The kinds are those of `searchGroups`; a test holds both together.
    index('entries_words')
      .using('gin', entryWordsVector(sql`body`))
      .where(sql.raw(`kind in (${searchedKinds})`)),
    // Which jobs have taught something of their own metal, the newest first.
    index('entries_pass')
      .on(table.receivedAt, table.jobId)
      .where(sql`kind = 'pass'`),
  ],
);

/** Pictures of a job, already made small and stripped of everything but the picture. Append-only, like the logbook. */
export const photos = pgTable(
  'photos',
  {
    jobId: uuid()
      .notNull()
      .references(() => jobs.id),
    id: uuid().notNull(),
    width: integer().notNull(),
    height: integer().notNull(),
    picture: bytea().notNull(),
    thumbnail: bytea().notNull(),
    receivedAt: timeOf().notNull().defaultNow(),
  },
  (table) => [primaryKey({ columns: [table.jobId, table.id] })],
);

/** Instrument types the shop has kept or brought in, newest revision last. Append-only. */
export const instrumentTypes = pgTable(
  'instrument_types',
  {
    revision: integer().primaryKey().generatedAlwaysAsIdentity(),
    id: text().notNull(),
    document: jsonb().notNull(),
    author: text().notNull(),
    receivedAt: timeOf().notNull().defaultNow(),
  },
  (table) => [index().on(table.id)],
);

/** A logbook that belongs to no job. Append-only; `seq` counts from 1 without gaps, given under a lock, as in `entries`. */
const ownLogTable = <const Name extends string>(name: Name) =>
  pgTable(
    name,
    {
      seq: integer().primaryKey(),
      id: uuid().notNull().unique(),
      kind: text().notNull(),
      body: jsonb().notNull(),
      author: text().notNull(),
      benchTime: timeOf().notNull(),
      receivedAt: timeOf().notNull().defaultNow(),
    },
    (table) => [check(`${name}_of_this_age`, ofThisAge(table.benchTime))],
  );

/** The shop's own logbook. */
export const shopEntries = ownLogTable('shop_entries');
/** The logbook of the drawers. */
export const stockEntries = ownLogTable('stock_entries');
export type OwnLogTable = typeof shopEntries | typeof stockEntries;

/**
 * What the lists show of each job. No ink: worked out of its logbook in the transaction of each entry, and anew whenever
 * somebody asks and it is no longer true. Nothing is known here that the logbook does not say.
 */
export const summaries = pgTable(
  'summaries',
  {
    jobId: uuid()
      .primaryKey()
      .references(() => jobs.id),
    ticket: text().notNull(),
    /** the last entry it counts in */
    seq: integer().notNull(),
    /** the shop's own work and the program it was worked out with */
    basis: text().notNull(),
    /** when it will no longer be true by itself */
    changesAt: timeOf(),
    /** 0 can be worked on, 1 waits, 2 is signed off, 3 cannot be shown */
    standing: smallint().notNull(),
    dueBy: text(),
    /** minutes of work left, as the table has them */
    minutesLeft: integer().notNull(),
    clocksRun: boolean().notNull(),
    /** what it can be searched by, in small letters */
    words: text().notNull(),
    row: jsonb().$type<BenchRow>(),
    problem: text(),
  },
  (table) => [
    index('summaries_order').on(table.standing, table.dueBy, table.ticket),
    index('summaries_change').on(table.changesAt),
  ],
);

/** What the steps of each job took, added up, for the shop to learn from. Made together with `summaries`. */
export const stepTimes = pgTable(
  'step_times',
  {
    jobId: uuid()
      .notNull()
      .references(() => jobs.id),
    kind: text().notNull(),
    family: text().$type<BenchRow['family']>().notNull(),
    person: text().notNull(),
    logs: doublePrecision().notNull(),
    squares: doublePrecision().notNull().default(0),
    times: integer().notNull(),
    since: timeOf().notNull().defaultNow(),
  },
  (table) => [primaryKey({ columns: [table.jobId, table.kind, table.family, table.person] })],
);

/** What became of each fault of each job that was settled, for the shop to remember. Made together with `summaries`. */
export const outcomes = pgTable(
  'outcomes',
  {
    jobId: uuid()
      .notNull()
      .references(() => jobs.id),
    finding: uuid().notNull(),
    ticket: text().notNull(),
    family: text().$type<BenchRow['family']>().notNull(),
    kind: text().$type<Outcome['kind']>().notNull(),
    part: text().notNull(),
    foundAt: timeOf().notNull(),
    serial: text().notNull(),
    maker: text().notNull(),
    told: jsonb().$type<Pick<Outcome, 'place' | 'cause' | 'cures' | 'wasNone'>>().notNull(),
  },
  (table) => [
    primaryKey({ columns: [table.jobId, table.finding] }),
    index('outcomes_asked').on(table.family, table.kind, table.foundAt),
  ],
);

const dateOf = () => timestamp({ withTimezone: true, mode: 'date' });

/** Who has a key. Written by the library that keeps accounts, in its own shape; roles by the shop only. */
export const users = pgTable('users', {
  id: text().primaryKey(),
  name: text().notNull(),
  email: text().notNull().unique(),
  emailVerified: boolean().notNull().default(false),
  image: text(),
  role: text().$type<Role>().notNull().default('apprentice'),
  /** as the shop knows them as a pair of hands */
  person: text(),
  /** of the short number at the bench; null: none, so that only the password lets in */
  pinHash: text(),
  /** the key was taken back */
  ended: boolean().notNull().default(false),
  createdAt: dateOf().notNull().defaultNow(),
  updatedAt: dateOf().notNull().defaultNow(),
});

/** Who is signed in, and until when. */
export const sessions = pgTable(
  'sessions',
  {
    id: text().primaryKey(),
    token: text().notNull().unique(),
    userId: text()
      .notNull()
      .references(() => users.id, { onDelete: 'cascade' }),
    expiresAt: dateOf().notNull(),
    ipAddress: text(),
    userAgent: text(),
    createdAt: dateOf().notNull().defaultNow(),
    updatedAt: dateOf().notNull().defaultNow(),
  },
  (table) => [index().on(table.userId)],
);

/** How somebody is known again: the hash of a password. */
export const credentials = pgTable(
  'credentials',
  {
    id: text().primaryKey(),
    accountId: text().notNull(),
    providerId: text().notNull(),
    userId: text()
      .notNull()
      .references(() => users.id, { onDelete: 'cascade' }),
    accessToken: text(),
    refreshToken: text(),
    idToken: text(),
    accessTokenExpiresAt: dateOf(),
    refreshTokenExpiresAt: dateOf(),
    scope: text(),
    password: text(),
    createdAt: dateOf().notNull().defaultNow(),
    updatedAt: dateOf().notNull().defaultNow(),
  },
  (table) => [index().on(table.userId)],
);

/** What is waited for before somebody is believed; short-lived. */
export const verifications = pgTable(
  'verifications',
  {
    id: text().primaryKey(),
    identifier: text().notNull(),
    value: text().notNull(),
    expiresAt: dateOf().notNull(),
    createdAt: dateOf().notNull().defaultNow(),
    updatedAt: dateOf().notNull().defaultNow(),
  },
  (table) => [index().on(table.identifier)],
);

/** How often something was asked of late, by whom. */
export const rateLimits = pgTable('rate_limits', {
  id: text().primaryKey(),
  key: text().notNull().unique(),
  count: integer().notNull(),
  lastRequest: bigint({ mode: 'number' }).notNull(),
});

/**
 * The key that opens what is said of one owner in any logbook. Whoever is forgotten has none any more: the logbooks stay as
 * they are, and say nothing of the person.
 */
export const owners = pgTable('owners', {
  id: uuid().primaryKey().defaultRandom(),
  /** by which the same owner is known again on another ticket */
  nameHash: text().notNull().unique(),
  key: bytea().notNull(),
  madeAt: timeOf().notNull().defaultNow(),
});

/** What every web process has to know and nobody else: such as what cookies are signed with. */
export const secrets = pgTable('secrets', { name: text().primaryKey(), value: text().notNull() });

/** Browsers that are benches of the shop: there a short number is enough to change hands. */
export const benches = pgTable('benches', {
  id: uuid().primaryKey().defaultRandom(),
  /** SHA-256 of what the browser carries */
  tokenHash: text().notNull().unique(),
  madeBy: text()
    .notNull()
    .references(() => users.id, { onDelete: 'cascade' }),
  madeAt: dateOf().notNull().defaultNow(),
});

/** Who came in, who did not, who was given which key, what left the house. Append-only. */
export const audit = pgTable(
  'audit',
  {
    seq: integer().primaryKey().generatedAlwaysAsIdentity(),
    at: timeOf().notNull().defaultNow(),
    what: text().notNull(),
    /** of whoever did it, or tried */
    who: text().notNull(),
    about: text().notNull().default(''),
    address: text().notNull().default(''),
  },
  (table) => [index().on(table.at)],
);
