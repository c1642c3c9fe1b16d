import { Client } from 'pg';

/**
 * Calls `onJob` with the id of every job that gets an entry, from whichever process it was written. Returns a function
 * that ends the listening; until then it holds one connection.
 */
export async function listenForEntries(
  url: string,
  onJob: (jobId: string) => void,
  onEnd: () => void,
): Promise<() => Promise<void>> {
  const client = new Client({ connectionString: url });
  client.on('notification', ({ payload }) => payload !== undefined && onJob(payload));
  client.on('error', onEnd);
  client.on('end', onEnd);
  await client.connect();
  await client.query('listen holotonos_entries');
  return () => client.end().catch(() => undefined);
}
