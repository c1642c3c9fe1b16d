#!/usr/bin/env node
// A shop with many tickets: how long its pages take, how long an entry takes while others write and look, what memory it
// costs. A database and a server of its own; nothing is left behind.
// node bench/tickets.mjs [--tickets N]
import { randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { parseArgs } from 'node:util';
import { register } from 'tsx/esm/api';
import { coreDigest } from '../bin/lib/app.mjs';
import { median, memory, report } from './measures.mjs';
import { withServer } from './own-server.mjs';

register();
// What is brought in here is worked out by the core the server has: it need not do it again.
process.env.HOLOTONOS_SOURCES = coreDigest();
const { brackwaterJobs, importJob, openStore } = await import('@holotonos/store');
const { values } = parseArgs({ options: { tickets: { type: 'string', default: '1000' } } });
const tickets = Number(values.tickets);

const slowest = (list) => Math.max(...list);
/** Processor time of a process, ms. */
const processorMs = (pid) => {
  const fields = readFileSync(`/proc/${pid}/stat`, 'utf8').split(') ')[1].split(' ');
  return (Number(fields[11]) + Number(fields[12])) * 10;
};

/** Copies of the demo's tickets, all open, due one after the other. */
async function fill(databaseUrl) {
  const store = openStore(databaseUrl, 4);
  try {
    const stories = brackwaterJobs().map(({ entries }) => entries.filter(({ kind }) => kind !== 'sign-off'));
    for (let n = 0; n < tickets; n += 1) {
      const ticket = `B-${String(n).padStart(5, '0')}`;
      const dueBy = new Date(Date.now() + (2 + (n % 200)) * 86_400_000).toISOString().slice(0, 10);
      const story = stories[n % stories.length].map((entry) =>
        entry.kind === 'intake' ? { ...entry, body: { ...entry.body, ticket, dueBy } } : entry,
      );
      if ((await importJob(store.db, ticket, story)) !== 'imported') throw new Error(`${ticket} was not taken`);
    }
  } finally {
    await store.close();
  }
}

async function get(address, path) {
  const begun = performance.now();
  const response = await fetch(`${address}${path}`);
  const text = await response.arrayBuffer();
  if (!response.ok) throw new Error(`${path}: ${response.status}`);
  return { ms: performance.now() - begun, kB: text.byteLength / 1024 };
}

async function page(address, pid, path, target) {
  await get(address, path);
  const before = processorMs(pid());
  const times = [];
  let size = 0;
  for (let n = 0; n < 7; n += 1) {
    const { ms, kB } = await get(address, path);
    times.push(ms);
    size = kB;
  }
  report(`${path}, from the server`, median(times), 'ms', target);
  report('  processor time each', (processorMs(pid()) - before) / 7, 'ms', '–');
  report('  size', size, 'kB', '–');
}

async function write(address, ticket) {
  const entry = {
    id: randomUUID(),
    kind: 'note',
    body: { text: 'x' },
    author: 'bench',
    benchTime: new Date().toISOString(),
  };
  const begun = performance.now();
  const response = await fetch(`${address}/api/v1/jobs/${ticket}/entries`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify(entry),
  });
  if (!response.ok) throw new Error(`${ticket}: ${response.status} ${await response.text()}`);
  await response.arrayBuffer();
  return performance.now() - begun;
}

/** Entries by so many clients at once, each on a ticket of its own. */
async function writers(address, clients, each = 20) {
  const times = await Promise.all(
    Array.from({ length: clients }, async (_, n) => {
      const own = [];
      for (let i = 0; i < each; i += 1) own.push(await write(address, `B-${String(n).padStart(5, '0')}`));
      return own;
    }),
  );
  return times.flat();
}

/** The same while browsers reload the bench without a pause. */
async function besideReloads(address, browsers, work) {
  let over = false;
  let refused = 0;
  const reloading = Array.from({ length: browsers }, async () => {
    while (!over) if (!(await fetch(`${address}/`).then(async (r) => (await r.text(), r.ok)))) refused += 1;
  });
  const found = await work();
  over = true;
  await Promise.all(reloading);
  return { found, refused };
}

await withServer(async ({ address, databaseUrl, pid, query }) => {
  const begun = performance.now();
  await fill(databaseUrl);
  report(`${tickets} tickets brought in, each`, (performance.now() - begun) / tickets, 'ms', '–');
  await query('vacuum analyze');
  const first = await get(address, '/');
  report('the bench, asked for the first time', first.ms, 'ms', '–');
  for (const [path, target] of [
    ['/', '≤ 1000'],
    ['/?page=12', '≤ 1000'],
    ['/?find=oboe', '≤ 1000'],
    ['/week', '≤ 1000'],
    ['/api/v1/calendar.ics', '–'],
    ['/jobs/B-00000/record', '≤ 300'],
    ['/jobs/B-00000/measure', '–'],
    ['/api/v1/jobs/B-00000/record.pdf', '–'],
  ])
    await page(address, pid, path, target);
  for (const clients of [1, 8, 32]) {
    const alone = await writers(address, clients);
    report(`an entry, ${clients} writing at once`, median(alone), 'ms', '–');
    report('  slowest', slowest(alone), 'ms', '–');
  }
  for (const browsers of [1, 8]) {
    const { found, refused } = await besideReloads(address, browsers, () => writers(address, 1, 60));
    report(`an entry while ${browsers} reload the bench`, median(found), 'ms', '–');
    report('  slowest', slowest(found), 'ms', '–');
    report('  pages refused', refused, '', '0');
  }
  report('memory of the web process', memory(pid()), 'MB', '–');
});
