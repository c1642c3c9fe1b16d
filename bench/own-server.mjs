// A database and a web server that a benchmark has to itself: on free ports, away from whatever this checkout runs.
import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import pg from 'pg';
import { ensureBuilt, serve } from '../bin/lib/app.mjs';
import { dataDir, root } from '../bin/lib/paths.mjs';
import { cluster, freePort } from '../bin/lib/postgres.mjs';
import { endProcesses } from '../bin/lib/processes.mjs';
import { startOf } from '../bin/lib/program.mjs';
import { run } from '../bin/lib/run.mjs';

/**
 * Runs `work` with a server on a database of its own with the demo in it, and removes both, however the work ends.
 *
 * @param work is given the address, a way to ask the database, and what ends and starts either
 * @param before is given the cluster and a way to ask it, before the database is made
 */
export async function withServer(work, { durable = false, keys = false, before = async () => undefined } = {}) {
  mkdirSync(dataDir, { recursive: true });
  const database = cluster('bench-postgres', { throwAway: true, durable });
  let server = null;
  /** further web processes on the same database */
  const others = [];
  try {
    const ownerUrl = `${await database.start()}/holotonos`;
    const databaseUrl = database.asWeb(ownerUrl);
    const query = async (text, values, url = ownerUrl) => {
      const client = new pg.Client({ connectionString: url });
      await client.connect();
      try {
        return (await client.query(text, values)).rows;
      } finally {
        await client.end();
      }
    };
    await before({ database, query: (text) => query(text, [], new URL('/postgres', ownerUrl).href) });
    run(
      process.execPath,
      [...(await startOf('bin/lib/prepare-database.ts')), '--create', ...(keys ? ['--keys'] : [])],
      {
        cwd: root,
        env: { ...process.env, DATABASE_URL: databaseUrl, DATABASE_OWNER_URL: ownerUrl },
        failure: 'The database of the benchmark is not ready',
      },
    );
    await ensureBuilt((text) => console.log(text));
    const port = await freePort();
    const start = async () => {
      server = await serve({ port, databaseUrl, log: join(dataDir, 'bench-server.log') });
      return server;
    };
    const startAnother = async () => {
      const other = await serve({
        port: await freePort(),
        databaseUrl,
        log: join(dataDir, 'bench-server-2.log'),
        kept: true,
      });
      others.push(other);
      return other;
    };
    await start();
    await work({
      address: server.address,
      databaseUrl,
      database,
      pid: () => server.pid,
      start,
      startAnother,
      stop: () => endProcesses([server.pid]),
      query,
    });
  } finally {
    await endProcesses([server, ...others].filter(Boolean).map(({ pid }) => pid));
    database.destroy();
  }
}
