import { Client } from 'pg';

interface Listener {
  jobId: string;
  onEntry: () => void;
  onEnd: () => void;
}

/** Tells who asks when a job gets an entry, from whichever process it was written. */
export interface Announcer {
  /** Resolves once entries written from now on will be heard. The function it gives ends the listening. */
  listen: (jobId: string, onEntry: () => void, onEnd: () => void) => Promise<() => void>;
}

/**
 * One listening connection for all who listen in this process, opened for the first and closed after the last. When it
 * breaks, everyone is told with `onEnd` and may listen again.
 */
export function openAnnouncer(url: string): Announcer {
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
    client.on('notification', ({ payload }) => {
      for (const { jobId, onEntry } of listeners) if (jobId === payload) onEntry();
    });
    client.on('error', ended);
    client.on('end', ended);
    await client.connect();
    await client.query('listen holotonos_entries');
    return client;
  };

  return {
    listen: async (jobId, onEntry, onEnd) => {
      const listener = { jobId, onEntry, onEnd };
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
