#!/usr/bin/env node
// Kills the web process, PostgreSQL or both under load, again and again, and asks that each start comes up at once and
// that every acknowledged entry stands once, in order.  node bench/kills.mjs [kills]
// Works on a copy of this checkout's state in a folder of its own, through bin/start itself.
import { randomUUID } from 'node:crypto';
import { spawnSync } from 'node:child_process';
import { cpSync, mkdirSync, mkdtempSync, readdirSync, rmSync, symlinkSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ensureBuilt } from '../bin/lib/app.mjs';
import { root } from '../bin/lib/paths.mjs';
import { freePort } from '../bin/lib/postgres.mjs';
import { folderOf, leftRunning } from '../bin/lib/processes.mjs';

const kills = Number(process.argv[2] ?? 50);
await ensureBuilt((text) => console.log(text));
const copy = mkdtempSync(join(tmpdir(), 'holotonos-kills-'));
for (const name of readdirSync(root)) {
  if (['.git', '.data', 'node_modules'].includes(name)) continue;
  cpSync(join(root, name), join(copy, name), { recursive: true, verbatimSymlinks: true });
}
// The packages of others are shared; our own are those of the copy, whatever happens here meanwhile.
mkdirSync(join(copy, 'node_modules'));
for (const name of readdirSync(join(root, 'node_modules')))
  if (name !== '@holotonos') symlinkSync(join(root, 'node_modules', name), join(copy, 'node_modules', name));
mkdirSync(join(copy, 'node_modules/@holotonos'));
for (const name of readdirSync(join(root, 'node_modules/@holotonos')))
  symlinkSync(join(copy, name), join(copy, 'node_modules/@holotonos', name));
const port = await freePort();
const bin = (...args) =>
  spawnSync(process.execPath, [join(copy, 'bin/start'), ...args], {
    cwd: copy,
    encoding: 'utf8',
    env: { ...process.env, HOLOTONOS_GAUGES: '' },
  });
const address = `http://127.0.0.1:${port}`;
const post = (path, entry) =>
  fetch(`${address}/api/v1${path}`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify(entry),
    signal: AbortSignal.timeout(10_000),
  });
const entryOf = (kind, body) => ({
  id: randomUUID(),
  kind,
  body,
  author: 'Bench',
  benchTime: new Date().toISOString(),
});
/** The server of the copy’s own cluster. */
const postmaster = () => {
  const found = spawnSync('pgrep', ['-x', 'postgres'], { encoding: 'utf8' })
    .stdout.split('\n')
    .map(Number)
    .filter(Boolean);
  return found.find((pid) => folderOf(pid)?.startsWith(copy) && !found.includes(parent(pid)));
};
const parent = (pid) => Number(spawnSync('ps', ['-o', 'ppid=', '-p', String(pid)], { encoding: 'utf8' }).stdout);

const acknowledged = [];
let failed = 0;
const times = [];
try {
  const first = bin('--port', String(port), '--empty');
  if (first.status !== 0) throw new Error(first.stderr || first.stdout);
  const intake = {
    ticket: 'K-1',
    owner: 'o',
    instrumentType: 'oboe',
    family: 'oboe',
    practice: 'stage',
    scope: 'repair',
    unit: 'mm',
  };
  await post('/jobs', entryOf('intake', intake));
  for (let n = 1; n <= kills; n += 1) {
    let going = true;
    const writers = Array.from({ length: 4 }, async () => {
      while (going) {
        const entry = entryOf('note', { text: `before kill ${n}` });
        const response = await post('/jobs/K-1/entries', entry).catch(() => null);
        if (response?.ok) acknowledged.push(entry.id);
        else await new Promise((wait) => setTimeout(wait, 20));
      }
    });
    await new Promise((wait) => setTimeout(wait, 200 + Math.random() * 400));
    const [web] = leftRunning('server', copy).map(({ pid }) => pid);
    const database = postmaster();
    if (n % 3 !== 1 && database) process.kill(database, 'SIGKILL');
    if (n % 3 !== 2 && web) process.kill(web, 'SIGKILL');
    const begun = performance.now();
    const again = bin('--port', String(port), '--empty');
    times.push((performance.now() - begun) / 1000);
    going = false;
    await Promise.all(writers);
    if (again.status !== 0) {
      failed += 1;
      console.log(`start ${n} failed: ${(again.stderr || again.stdout).trim()}`);
      bin('--port', String(port), '--empty');
    }
    process.stdout.write(`\r${n} of ${kills}, ${acknowledged.length} acknowledged, ${failed} starts failed`);
  }
  const stored = [];
  for (let after = 0, more = true; more;) {
    const page = await (await fetch(`${address}/api/v1/jobs/K-1/entries?after=${after}`)).json();
    stored.push(...page.entries);
    more = page.more;
    after = page.entries.at(-1)?.seq ?? after;
  }
  const ids = stored.map(({ id }) => id);
  const missing = acknowledged.filter((id) => !ids.includes(id));
  const gaps = stored.filter(({ seq }, i) => seq !== i + 1);
  const sorted = [...times].sort((a, b) => a - b);
  console.log(
    `\n${kills} kills: ${failed} starts failed; ${acknowledged.length} acknowledged, ${missing.length} missing, ${ids.length - new Set(ids).size} doubled, ${gaps.length} out of order`,
  );
  console.log(`start: median ${sorted[sorted.length >> 1].toFixed(1)} s, slowest ${sorted.at(-1).toFixed(1)} s`);
  process.exitCode = failed + missing.length + gaps.length > 0 ? 1 : 0;
} finally {
  const end = bin('--stop');
  if (end.status !== 0) console.log(end.stderr);
  rmSync(copy, { recursive: true, force: true });
}
