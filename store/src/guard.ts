import { sql } from 'drizzle-orm';
import { withClient, type Database } from './database';

/** Tables and the triggers that make them ink, by the migrations; a test holds this list against a database they made. */
export const guards: Readonly<Record<string, readonly string[]>> = {
  audit: ['audit_append_only', 'audit_no_truncate'],
  entries: ['entries_announce', 'entries_append_only', 'entries_no_truncate'],
  instrument_types: ['instrument_types_append_only', 'instrument_types_no_truncate'],
  jobs: ['jobs_append_only', 'jobs_no_truncate'],
  photos: ['photos_append_only', 'photos_no_truncate'],
  shop_entries: ['shop_entries_announce', 'shop_entries_append_only', 'shop_entries_no_truncate'],
  stock_entries: ['stock_entries_announce', 'stock_entries_append_only', 'stock_entries_no_truncate'],
};

/** Tables that hold nothing a logbook does not say: written over and made anew as it grows. */
const derived = ['outcomes', 'step_times', 'summaries'] as const;

/** Tables of keys, to the shop and to what is said of owners: written over as keys change, and worth keeping. */
export const keyTables: readonly string[] = ['users', 'credentials', 'owners'];

/** Tables that matter only while somebody is here: who is signed in, who has asked too often, which browsers are benches,
 * what cookies are signed with. */
const passing = ['sessions', 'verifications', 'rate_limits', 'benches', 'secrets'] as const;

/** Tables that the web process writes over. */
const loose: readonly string[] = [...derived, ...keyTables, ...passing];

/** A database that would take entries but not keep them as they must be kept. */
export class IncompleteDatabase extends Error {
  override readonly name = 'IncompleteDatabase';
}

/**
 * Sees that every table is there, and every trigger that refuses changes is there and switched on.
 *
 * @throws IncompleteDatabase naming all that is missing
 */
export async function checkGuards(url: string): Promise<void> {
  const missing = await withClient(url, async (client) => {
    const { rows: tables } = await client.query<{ name: string }>(
      "select relname as name from pg_class where relkind = 'r' and relnamespace = 'public'::regnamespace",
    );
    const { rows: triggers } = await client.query<{ name: string; enabled: string }>(
      'select tgname as name, tgenabled as enabled from pg_trigger where not tgisinternal',
    );
    const there = new Set(tables.map(({ name }) => name));
    const states = new Map(triggers.map(({ name, enabled }) => [name, enabled]));
    const needed: [string, readonly string[]][] = [
      ...Object.entries(guards),
      ...loose.map((table): [string, readonly string[]] => [table, []]),
    ];
    return needed.flatMap(([table, names]) =>
      there.has(table)
        ? names.flatMap((name) => {
            const state = states.get(name);
            if (state === undefined) return [`the trigger ${name} on ${table}`];
            return state === 'O' || state === 'A' ? [] : [`the trigger ${name} on ${table}, which is switched off`];
          })
        : [`the table ${table}`],
    );
  });
  if (missing.length > 0)
    throw new IncompleteDatabase(
      `This database lacks ${missing.join(', ')}. Without that the logbook would not be safe, so nothing is started. Restore the database from a backup (docs/running.md says how).`,
    );
}

/**
 * Lets a role do what the web process does, and nothing else: read, and write new rows. It owns nothing, so it can neither
 * drop a trigger nor alter a table. Made when it is not there; harmless to repeat.
 *
 * @param ownerUrl the database, as its owner, who may make roles where that of `webUrl` is none yet
 * @param webUrl the same database, with the name and the password of the role
 * @param ours the role is there for us alone and may be given this password; another’s is never changed
 * @throws what the server says when the role is there already and the password is not its own
 */
export async function letWrite(ownerUrl: string, webUrl: string, { ours = false } = {}): Promise<void> {
  const { username, password } = new URL(webUrl);
  const role = decodeURIComponent(username);
  const refused = await withClient(webUrl, () => Promise.resolve(null)).catch((error: unknown) => error);
  await withClient(ownerUrl, async (client) => {
    const name = client.escapeIdentifier(role);
    if (refused) {
      const secret = client.escapeLiteral(decodeURIComponent(password));
      const { rowCount } = await client.query('select 1 from pg_roles where rolname = $1', [role]);
      if (rowCount && !ours) throw refused;
      const rights = 'login nosuperuser nocreatedb nocreaterole noreplication nobypassrls';
      await client.query(`${rowCount ? 'alter' : 'create'} role ${name} ${rights} password ${secret}`);
    }
    const list = (tables: readonly string[]) => tables.map((table) => client.escapeIdentifier(table)).join(', ');
    const tables = list(Object.keys(guards));
    await client.query(
      [
        'begin',
        'revoke create on schema public from public',
        `revoke all on ${tables} from ${name}`,
        `grant usage on schema public to ${name}`,
        `grant select, insert on ${tables} to ${name}`,
        `grant select, insert, update, delete on ${list(loose)} to ${name}`,
        // To lock the row of a job; the trigger refuses the change itself.
        `grant update (id) on jobs to ${name}`,
        `grant usage on all sequences in schema public to ${name}`,
        'commit',
      ].join(';\n'),
    );
  });
}

/**
 * Which database this is, since which restore and since whom it has forgotten: another when its tables were made or filled anew, or an owner is gone from them. What a process keeps
 * of one database is true of no other.
 */
export const stampSql = sql<string>`concat_ws('.', (select oid from pg_database where datname = current_database()),
  'entries'::regclass::oid, pg_relation_filenode('entries'), pg_relation_filenode('jobs'),
  (select value from secrets where name = 'forgotten'))`;

/** How long a process may believe that nobody has restored a database under it, ms. Writing never just believes it. */
const believedMs = 500;
let known = { stamp: '', at: 0 };
const droppers = new Set<() => void>();

/** Has something dropped when the database turns out to be another than before. */
export const onOtherDatabase = (drop: () => void): void => void droppers.add(drop);

/** Drops what this process remembers of the database at once. */
export function dropRemembered(): void {
  for (const drop of droppers) drop();
  known = { stamp: '', at: 0 };
}

/** Compares a stamp with the last one; what was kept of another database is dropped. */
export function seeStamp(stamp: string): void {
  if (known.stamp !== '' && known.stamp !== stamp) {
    console.error(
      'The database was restored or exchanged, or has forgotten an owner: what was remembered of it is read again.',
    );
    for (const drop of droppers) drop();
  }
  known = { stamp, at: Date.now() };
}

/** Looks which database this is, unless that was done a moment ago. */
export async function lookAtStamp(db: Database): Promise<void> {
  if (Date.now() - known.at < believedMs) return;
  const { rows } = await db.execute<{ stamp: string }>(sql`select ${stampSql} as stamp`);
  seeStamp(rows[0]?.stamp ?? '');
}
