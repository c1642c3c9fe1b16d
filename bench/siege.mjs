#!/usr/bin/env node
// What a besieged server holds: twenty files at once, slow uploads, a thousand listeners that come together, a thousand
// pages one after the other. A database and a server of its own; nothing is left behind.
// node bench/siege.mjs [imports|uploads|listeners|pages …]
import { randomUUID } from 'node:crypto';
import { connect } from 'node:net';
import { memory } from './measures.mjs';
import { withServer } from './own-server.mjs';

const parts = process.argv.slice(2);
const wants = (name) => parts.length === 0 || parts.includes(name);
const pause = (ms) => new Promise((done) => setTimeout(done, ms));
const seconds = (begun) => `${((performance.now() - begun) / 1000).toFixed(1)} s`;

const header = 'entry,group,part,measure,clock (deg),value (mm),gauge,gauge resolution (mm),gauge max error (mm)';
const csvOf = (rows) =>
  [
    header,
    ...Array.from({ length: rows }, (_, i) => `${randomUUID()},pad,low-f,gap,${(i % 8) * 45},0.02,f,0.01,0.004`),
  ].join('\n');

let failed = false;
const hold = (what, holds) => {
  console.log(`${holds ? 'holds ' : 'FAILS '} ${what}`);
  if (!holds) failed = true;
};

/** Writes one note, and gives the status. */
async function writeNote(address) {
  const entry = {
    id: randomUUID(),
    kind: 'note',
    body: { text: 'x' },
    author: 'siege',
    benchTime: new Date().toISOString(),
  };
  const { status } = await fetch(`${address}/api/v1/jobs/LL-203/entries`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify(entry),
  });
  return status;
}

/** Asks for health again and again until it is told to stop; gives the longest wait, ms. */
function watchHealth(address) {
  let over = false;
  let longest = 0;
  const watching = (async () => {
    while (!over) {
      const begun = performance.now();
      const answer = await fetch(`${address}/api/health`).catch(() => null);
      longest = Math.max(longest, answer?.ok ? performance.now() - begun : Infinity);
      await pause(100);
    }
  })();
  return async () => {
    over = true;
    await watching;
    return Math.round(longest);
  };
}

async function imports({ address, pid }) {
  const stop = watchHealth(address);
  const begun = performance.now();
  const singles = [];
  let importing = true;
  const writing = (async () => {
    while (importing) {
      const at = performance.now();
      const status = await writeNote(address);
      singles.push({ status, ms: performance.now() - at });
      await pause(100);
    }
  })();
  const statuses = await Promise.all(
    Array.from({ length: 20 }, async () => {
      const answer = await fetch(`${address}/api/v1/jobs/LL-204/readings`, {
        method: 'POST',
        headers: { 'Content-Type': 'text/csv' },
        body: csvOf(5000),
      });
      return answer.status;
    }),
  );
  importing = false;
  await writing;
  const slowest = Math.round(Math.max(...singles.map(({ ms }) => ms)));
  console.log(
    `20 files of 5 000 readings at once: ${seconds(begun)}, ${memory(pid())} MB; ${singles.length} single entries meanwhile, slowest ${slowest} ms; health at most ${await stop()} ms`,
  );
  hold(
    'every file is taken',
    statuses.every((status) => status === 200),
  );
  hold(
    'every single entry is taken',
    singles.every(({ status }) => status === 201),
  );
}

async function uploads({ address, pid }) {
  const before = memory(pid());
  const { hostname, port } = new URL(address);
  const piece = Buffer.alloc(1024 * 1024, 'x');
  const sockets = await Promise.all(
    Array.from({ length: 12 }, async () => {
      const socket = connect({ host: hostname, port: Number(port) });
      socket.on('error', () => undefined);
      socket.write(
        `POST /api/v1/import HTTP/1.1\r\nHost: ${hostname}:${port}\r\nContent-Type: application/json\r\nContent-Length: ${128 * 1024 * 1024}\r\n\r\n`,
      );
      for (let sent = 0; sent < 120; sent += 1)
        if (!socket.write(piece)) await new Promise((done) => socket.once('drain', done));
      return socket;
    }),
  );
  await pause(1000);
  const during = memory(pid());
  for (const socket of sockets) socket.destroy();
  await pause(1000);
  console.log(`12 uploads that stop at 120 of 128 MB: from ${before} to ${during} MB, afterwards ${memory(pid())} MB`);
  hold('they cost less than 400 MB of memory', during - before < 400);
}

async function listeners({ address, pid }) {
  const before = memory(pid());
  const begun = performance.now();
  const open = await Promise.all(
    Array.from({ length: 1000 }, async () => {
      const stop = new AbortController();
      const answer = await fetch(`${address}/api/v1/events`, { signal: stop.signal }).catch(() => null);
      const reader = answer?.body?.getReader();
      const first = await reader?.read().catch(() => null);
      return { ok: answer?.ok === true && Boolean(first?.value), stop, reader };
    }),
  );
  const connected = open.filter(({ ok }) => ok).length;
  console.log(`1 000 listeners: ${connected} connected in ${seconds(begun)}, from ${before} to ${memory(pid())} MB`);
  const at = performance.now();
  const heard = Promise.all(
    open
      .filter(({ ok }) => ok)
      .map(async ({ reader }) => {
        for (;;) {
          const { value, done } = await reader.read();
          if (done) return false;
          if (Buffer.from(value).toString().includes('event: entry')) return true;
        }
      }),
  );
  await writeNote(address);
  const told = (await Promise.race([heard, pause(30_000).then(() => [])])).filter(Boolean).length;
  console.log(`${told} heard of an entry within ${seconds(at)}`);
  for (const { stop } of open) stop.abort();
  await pause(2000);
  hold('all connect and all hear', connected === 1000 && told === 1000);
  hold('the server answers afterwards', (await fetch(`${address}/api/health`)).ok);
}

async function pages({ address, pid }) {
  const addresses = [
    '/',
    '/week',
    '/jobs/LL-201',
    '/jobs/LL-202/plan',
    '/jobs/LL-203/measure',
    '/shop',
    '/jobs/LL-204/record',
  ];
  const begun = performance.now();
  const seen = [];
  for (let n = 1; n <= 1000; n += 1) {
    const answer = await fetch(`${address}${addresses[n % addresses.length]}`);
    await answer.arrayBuffer();
    if (n % 100 === 0) seen.push(memory(pid()));
  }
  console.log(`1 000 pages in ${seconds(begun)}; memory after each hundred, MB: ${seen.join(' ')}`);
  hold('memory stays below 500 MB', Math.max(...seen) < 500);
}

const all = { imports, uploads, listeners, pages };
await withServer(async (server) => {
  for (const [name, part] of Object.entries(all)) if (wants(name)) await part(server);
});
process.exitCode = failed ? 1 : 0;
