#!/usr/bin/env node
// Sends bad requests of every kind and asks that each is answered in words within five seconds, and nothing is stored in
// part. A database and a server of its own; nothing is left behind.  node bench/bad-requests.mjs [count] [seed] [--keys]
// With --keys the shop has keys, and each request comes from a stranger, the owner, a technician or an apprentice in turn.
import { register } from 'tsx/esm/api';
import { withServer } from './own-server.mjs';

register();
const { chanceFrom } = await import('@holotonos/core');
const { ask, badRequest } = await import('../web/tests/badRequests.ts');

const keys = process.argv.includes('--keys');
const [count = 10_000, seed = 1] = process.argv
  .slice(2)
  .filter((each) => each !== '--keys')
  .map(Number);
const patienceMs = 5000;

/** What a browser carries in which each of the demo's people has signed in; a stranger carries nothing. */
async function cookies(address) {
  const ask = (path, body) =>
    fetch(`${address}/api/auth${path}`, {
      headers: { 'origin': address, 'content-type': 'application/json' },
      ...(body && { method: 'POST', body: JSON.stringify(body) }),
    });
  const { people } = await (await ask('/people')).json();
  const carried = [''];
  for (const { id, pin } of people) {
    const come = await ask('/hands', { key: id, pin });
    if (!come.ok) throw new Error(`nobody is let in: ${come.status} ${await come.text()}`);
    carried.push(
      come.headers
        .getSetCookie()
        .map((line) => line.split(';', 1)[0])
        .join('; '),
    );
  }
  return carried;
}

/** What a page says back of what its browser carries. */
const token = 't'.repeat(32);
const serve = keys ? { keys: true } : {};
await withServer(async ({ address, query }) => {
  const carried = keys ? await cookies(address) : [];
  const chance = chanceFrom(seed);
  const statuses = new Map();
  const wrong = [];
  const refused = [];
  let slowest = 0;
  for (let n = 1; n <= count; n += 1) {
    const bad = badRequest(chance);
    if (keys) {
      const cookie = carried[n % carried.length];
      const said = cookie && { 'cookie': `${cookie}; holotonos.token=${token}`, 'x-holotonos-token': token };
      bad.headers = { origin: address, ...said, ...bad.headers };
      // Who asks too often is put off; here that would hide what lies behind.
      if (n % 100 === 0) await query('delete from rate_limits');
    }
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
}, serve);
