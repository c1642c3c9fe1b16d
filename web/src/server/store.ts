import 'server-only';
import { openAnnouncer, openStore, type Aimed, type Announcer, type Store } from '@holotonos/store';

/** One pool a process, opened at the first query; kept across reloads of the module in development. */
const kept = globalThis as {
  holotonosStore?: Store;
  holotonosPulse?: Store;
  holotonosAnnouncer?: Announcer;
  holotonosHearAim?: (aimed: Aimed) => void;
};

const databaseUrl = (): string => {
  const url = process.env.DATABASE_URL;
  if (!url) throw new Error('DATABASE_URL is not set. Start with bin/start, or name a PostgreSQL server.');
  return url;
};

export const getDb = () => (kept.holotonosStore ??= openStore(databaseUrl())).db;

/** Whether the database answers, asked on a connection of its own: a full pool is not a database that is away. */
export async function databaseAnswers(): Promise<void> {
  kept.holotonosPulse ??= openStore(databaseUrl(), 1);
  await kept.holotonosPulse.pool.query('select 1');
}

/** What is done with an aim that another process has announced; set by whoever holds the devices. */
export const onAimed = (hear: (aimed: Aimed) => void): void => {
  kept.holotonosHearAim = hear;
};

export const getAnnouncer = () =>
  (kept.holotonosAnnouncer ??= openAnnouncer(databaseUrl(), (aimed) => kept.holotonosHearAim?.(aimed)));
