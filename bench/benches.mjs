#!/usr/bin/env node
// Fifty benches at once: figures, findings, steps, notes, photographs and pages, for ten minutes, over two web processes on one
// durable database. Asks that nothing acknowledged is lost or doubled, that what one process takes is heard through the
// other, and says how long an entry takes.  node bench/benches.mjs [benches] [minutes] [seconds between entries]
import { randomUUID } from 'node:crypto';
import { readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { root } from '../bin/lib/paths.mjs';
import { memory } from './measures.mjs';
import { withServer } from './own-server.mjs';

const benches = Number(process.argv[2] ?? 50);
const minutes = Number(process.argv[3] ?? 10);
/** Between two entries of one bench, s: a practised hand types a figure every two to three seconds. */
const between = Number(process.argv[4] ?? 2.5);
const pause = (ms) => new Promise((done) => setTimeout(done, ms));
const photo = readFileSync(join(root, 'docs/screenshots', readdirSync(join(root, 'docs/screenshots'))[0]));
const at = (sorted, share) => sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))] ?? NaN;
const told = (name, times) => {
  const sorted = [...times].sort((a, b) => a - b);
  const ms = (share) => `${at(sorted, share).toFixed(0)} ms`;
  console.log(
    `${name.padEnd(10)} ${String(times.length).padStart(7)}  p50 ${ms(0.5)}, p95 ${ms(0.95)}, p99 ${ms(0.99)}, slowest ${ms(1)}`,
  );
  return at(sorted, 0.95);
};

const entryOf = (kind, body, author) => ({ id: randomUUID(), kind, body, author, benchTime: new Date().toISOString() });
const gauge = { id: 'feeler-film', name: 'Feeler film set', resolution: 0.01, maxPermissibleError: 0.004 };
const parts = ['e', 'f', 'd', 'g', 'a', 'b', 'low-c', 'low-b', 'e-flat', 'f-sharp'];

await withServer(
  async ({ address, startAnother, query, pid }) => {
    const other = await startAnother();
    const addresses = [address, other.address];
    const times = { entry: [], photo: [], page: [] };
    const acknowledged = new Set();
    const faults = [];
    const heard = new Set();
    const timed = async (kind, ask) => {
      const begun = performance.now();
      const response = await ask().catch((error) => ({ ok: false, status: String(error) }));
      times[kind].push(performance.now() - begun);
      if (!response.ok) faults.push(`${kind} ${response.status}`);
      return response;
    };
    const send = (to, path, entry) =>
      fetch(`${to}${path}`, {
        method: 'POST',
        headers: { 'Content-Type': 'application/json' },
        body: JSON.stringify(entry),
        signal: AbortSignal.timeout(30_000),
      });
    /** Listens at one process to what is taken anywhere. */
    const listening = new AbortController();
    const listen = async (to) => {
      const response = await fetch(`${to}/api/v1/events`, { signal: listening.signal });
      const words = new TextDecoder();
      for await (const piece of response.body) {
        for (const [, name] of words.decode(piece, { stream: true }).matchAll(/(B-\d+)/g)) heard.add(`${to} ${name}`);
      }
    };
    const ears = addresses.map((to) => listen(to).catch(() => undefined));
    const end = Date.now() + minutes * 60_000;
    const bench = async (n) => {
      const to = addresses[n % 2];
      const ticket = `B-${n}`;
      const author = `Bench ${n}`;
      const base = `/api/v1/jobs/${ticket}`;
      const write = async (kind, body) => {
        const entry = entryOf(kind, body, author);
        const response = await timed('entry', () => send(to, `${base}/entries`, entry));
        if (!response.ok) return;
        acknowledged.add(entry.id);
        // Now and then an answer gets lost, and the same entry is sent again, through the other process.
        if (Math.random() < 0.02) await send(addresses[(n + 1) % 2], `${base}/entries`, entry);
        await response.body?.cancel();
      };
      const intake = {
        ...{ ticket, owner: `Owner ${n % 20}`, instrumentType: 'alto-saxophone', family: 'saxophone' },
        ...{ practice: 'stage', scope: 'overhaul', unit: 'mm' },
      };
      const opened = await send(to, '/api/v1/jobs', entryOf('intake', intake, author));
      if (!opened.ok) throw new Error(`${ticket} was not opened: ${opened.status}`);
      await pause(Math.random() * 1000 * between);
      for (let i = 0; Date.now() < end; i += 1) {
        const part = parts[i % parts.length];
        const kind = i % 40;
        if (kind === 7)
          await write('finding', {
            finding: randomUUID(),
            kind: 'pad-leaking',
            part,
            severity: 2,
            status: 'confirmed',
          });
        else if (kind === 19) await write('note', { text: `as seen at ${part}, turn ${i}` });
        else if (kind === 23) {
          const id = randomUUID();
          const put = await timed('photo', () =>
            fetch(`${to}${base}/photos/${id}`, {
              method: 'PUT',
              headers: { 'Content-Type': 'image/png' },
              body: photo,
            }),
          );
          if (put.ok) await write('photo', { photo: id, width: 800, height: 500, part });
        } else if (kind === 31)
          await timed('page', async () => {
            const page = await fetch(`${to}/jobs/${ticket}/measure?group=pad&part=${part}`);
            await page.arrayBuffer();
            return page;
          });
        else
          await write('reading', {
            ...{ point: { group: 'pad', part, measure: 'gap', clock: (i * 45) % 360 } },
            ...{ value: 0.02, typed: '0.02', gauge },
          });
        await pause(1000 * between * (0.5 + Math.random()));
      }
    };
    const begun = performance.now();
    const ticking = setInterval(() => {
      const passed = Math.round((performance.now() - begun) / 1000);
      process.stdout.write(`\r${passed} s, ${acknowledged.size} entries, ${faults.length} faults`);
    }, 5000);
    await Promise.all(Array.from({ length: benches }, (_, n) => bench(n)));
    clearInterval(ticking);
    await pause(2000);
    listening.abort();
    await Promise.all(ears);
    console.log(
      `\n${benches} benches, ${minutes} min, two web processes (${memory(pid())} and ${memory(other.pid)} MB)`,
    );
    const p95 = told('entry', times.entry);
    told('photo', times.photo);
    told('page', times.page);
    const stored = await query(`select e.id, count(*)::int as n from entries e join jobs j on j.id = e.job_id
      where j.ticket like 'B-%' and e.kind <> 'intake' group by e.id`);
    const ids = new Map(stored.map(({ id, n }) => [id, n]));
    const lost = [...acknowledged].filter((id) => !ids.has(id)).length;
    const doubled = [...ids.values()].filter((n) => n > 1).length;
    const [{ gaps }] = await query(`select count(*)::int as gaps from (
      select max(seq) - count(*) as missing from entries group by job_id) each where missing <> 0`);
    const unheard = addresses.flatMap((to) =>
      Array.from({ length: benches }, (_, n) => `${to} B-${n}`).filter((name) => !heard.has(name)),
    ).length;
    console.log(`${acknowledged.size} acknowledged: ${lost} lost, ${doubled} doubled, ${gaps} logbooks with gaps`);
    console.log(`${faults.length} faults; ${unheard} of ${2 * benches} tickets not heard through a process`);
    for (const fault of faults.slice(0, 10)) console.log(fault);
    console.log(`p95 of an entry ${p95.toFixed(0)} ms, target 100`);
    process.exitCode = lost + doubled + gaps + unheard + faults.length > 0 || p95 > 100 ? 1 : 0;
  },
  { durable: true },
);
