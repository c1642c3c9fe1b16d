import type { MeasuringPoint } from '@holotonos/core';
import { sql } from 'drizzle-orm';
import { Client } from 'pg';
import type { Database } from './database';

interface Listener {
  /** one job's id, or null for everything */
  of: string | null;
  onEntry: (written: string) => void;
  onEnd: () => void;
}

/**
 * Tells who asks when a logbook gets an entry, from whichever process it was written: the id of the job it was written
 * to, or `shop`.
 */
export interface Announcer {
  /** Resolves once entries written from now on will be heard. The function it gives ends the listening. */
  listen: (of: string | null, onEntry: (written: string) => void, onEnd: () => void) => Promise<() => void>;
}

/** What a page asks the gauges for next. */
export interface Aimed {
  token: string;
  ticket: string;
  point: MeasuringPoint;
}

const channels = { entries: 'holotonos_entries', aims: 'holotonos_aims' } as const;

/** Tells every web process what a page asks for: the device may hang on another than the page has reached. */
export async function announceAim(db: Database, aimed: Aimed): Promise<void> {
  await db.execute(sql`select pg_notify(${channels.aims}, ${JSON.stringify(aimed)})`);
}

/**
 * One listening connection for all who listen in this process, opened for the first and closed after the last. When it
 * breaks, everyone is told with `onEnd` and may listen again.
 *
 * @param onAim hears of every aim, whichever process it was announced in, for as long as anybody listens
 */
export function openAnnouncer(url: string, onAim: (aimed: Aimed) => void = () => undefined): Announcer {
  const listeners = new Set<Listener>();
  let connection: Promise<Client> | null = null;

  const ended = () => {
    connection = null;
    const told = [...listeners];
    listeners.clear();
    for (const { onEnd } of told) onEnd();
  };

  const connect = async (): Promise<Client> => {
    const client = new Client({ connectionString: url });
    client.on('notification', ({ channel, payload }) => {
      if (payload === undefined) return;
      if (channel === channels.aims) return onAim(JSON.parse(payload) as Aimed);
      for (const { of, onEntry } of listeners) if (of === null || of === payload) onEntry(payload);
    });
    client.on('error', ended);
    client.on('end', ended);
    await client.connect();
    for (const channel of Object.values(channels)) await client.query(`listen ${channel}`);
    return client;
  };

  return {
    listen: async (of, onEntry, onEnd) => {
      const listener = { of, onEntry, onEnd };
      listeners.add(listener);
      const client = (connection ??= connect());
      try {
        await client;
      } catch (error) {
        listeners.delete(listener);
        if (connection === client) connection = null;
        throw error;
      }
      return () => {
        listeners.delete(listener);
        if (listeners.size > 0 || connection !== client) return;
        connection = null;
        void client.then((open) => {
          open.removeListener('end', ended);
          return open.end();
        });
      };
    },
  };
}
