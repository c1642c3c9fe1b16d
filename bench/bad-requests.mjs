#!/usr/bin/env node
// Sends bad requests of every kind and asks that each is answered in words within five seconds, and nothing is stored in
// part. A database and a server of its own; nothing is left behind.  node bench/bad-requests.mjs [count] [seed]
import { register } from 'tsx/esm/api';
import { withServer } from './own-server.mjs';

register();
const { chanceFrom } = await import('@holotonos/core');
const { ask, badRequest } = await import('../web/tests/badRequests.ts');

const count = Number(process.argv[2] ?? 10_000);
const seed = Number(process.argv[3] ?? 1);
const patienceMs = 5000;

await withServer(async ({ address, query }) => {
  const chance = chanceFrom(seed);
  const statuses = new Map();
  const wrong = [];
  const refused = [];
  let slowest = 0;
  for (let n = 1; n <= count; n += 1) {
    const bad = badRequest(chance);
    const { status, text, ms } = await ask(address, bad, patienceMs);
    statuses.set(status, (statuses.get(status) ?? 0) + 1);
    slowest = Math.max(slowest, ms);
    if (status >= 500 || status === 0 || ms > patienceMs)
      wrong.push(`${status} ${Math.round(ms)} ms  ${bad.method} ${bad.path.slice(0, 120)}  ${text.slice(0, 160)}`);
    if (bad.id && status >= 400) refused.push(bad.id);
    if (n % 500 === 0) process.stdout.write(`\r${n} of ${count}, ${wrong.length} wrong`);
  }
  const stored = await query(
    'select id from entries where id = any($1) union select id from shop_entries where id = any($1) union select id from stock_entries where id = any($1)',
    [refused],
  );
  console.log(
    `\n${[...statuses]
      .sort(([a], [b]) => a - b)
      .map(([status, n]) => `${status}: ${n}`)
      .join(', ')}`,
  );
  console.log(`slowest ${Math.round(slowest)} ms; refused but stored: ${stored.length}; wrong: ${wrong.length}`);
  for (const line of wrong.slice(0, 40)) console.log(line);
  process.exitCode = wrong.length + stored.length > 0 ? 1 : 0;
});
