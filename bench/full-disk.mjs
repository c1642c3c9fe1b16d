#!/usr/bin/env node
// What happens when the disk of the database is full: entries are answered with it, nothing hangs, nothing acknowledged is
// lost, and with room again they are taken again. The database lies on a small disk in memory, so this wants root.
// node bench/full-disk.mjs
import { spawnSync } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { chownSync, mkdirSync, rmSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { run } from '../bin/lib/run.mjs';
import { withServer } from './own-server.mjs';

const place = '/var/tmp/holotonos-full-disk';
const filler = join(place, 'filler');
const mostMs = 10_000;
if (process.getuid?.() !== 0) {
  console.error('A small disk can be made by root only.');
  process.exit(1);
}

let failed = false;
const hold = (what, holds) => {
  console.log(`${holds ? 'holds ' : 'FAILS '} ${what}`);
  if (!holds) failed = true;
};

/** The small disk, and on it the database the server is to find. */
async function onSmallDisk({ database, query }) {
  mkdirSync(place, { recursive: true });
  run('mount', ['-t', 'tmpfs', '-o', 'size=64m', 'tmpfs', place]);
  mounted = true;
  const tables = join(place, 'tables');
  mkdirSync(tables);
  const { uid, gid } = statSync(database.folder());
  chownSync(tables, uid, gid);
  await query(`create tablespace small location '${tables}'`);
  await query('create database holotonos tablespace small');
}

async function fill({ address, query }) {
  const acknowledged = [];
  const write = async () => {
    // Text that does not shrink when it is stored.
    const text = Array.from({ length: 100 }, () => randomUUID()).join('');
    const id = randomUUID();
    const entry = { id, kind: 'note', body: { text }, author: 'disk', benchTime: new Date().toISOString() };
    const begun = performance.now();
    const answer = await fetch(`${address}/api/v1/jobs/LL-203/entries`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify(entry),
      signal: AbortSignal.timeout(mostMs),
    });
    if (answer.ok) acknowledged.push(id);
    return { status: answer.status, ms: performance.now() - begun, body: await answer.json() };
  };
  hold('there is room at first', (await write()).status === 201);
  // All the rest of it at once; a block that is begun already takes some entries more.
  spawnSync('dd', ['if=/dev/zero', `of=${filler}`, 'bs=64k'], { stdio: 'ignore' });
  const full = [];
  for (let tries = 0; tries < 200 && full.length < 10; tries += 1) {
    const answer = await write();
    if (answer.status !== 201) full.push(answer);
  }
  console.log(
    `full: ${full.map(({ status }) => status).join(' ')}; slowest ${Math.round(Math.max(...full.map(({ ms }) => ms)))} ms`,
  );
  hold('every entry is answered with 507', full.length === 10 && full.every(({ status }) => status === 507));
  hold(
    'and told why',
    full.every(({ body }) => /disk of the database is full/.test(body.message)),
  );
  hold('health answers', (await fetch(`${address}/api/health`, { signal: AbortSignal.timeout(mostMs) })).ok);
  for (const path of ['/', '/jobs/LL-203', '/week'])
    hold(`${path} is shown`, (await fetch(`${address}${path}`, { signal: AbortSignal.timeout(mostMs) })).ok);
  rmSync(filler);
  hold('with room again they are taken again', (await write()).status === 201);
  const stored = await query('select id from entries where id = any($1)', [acknowledged]);
  hold(`all ${acknowledged.length} that were acknowledged are there`, stored.length === acknowledged.length);
  const [gaps] = await query(
    'select count(*)::int as n from (select job_id, max(seq) - count(*) as gap from entries group by job_id) g where gap <> 0',
  );
  hold('and no number is missing', gaps.n === 0);
}

let mounted = false;
try {
  await withServer(fill, { before: onSmallDisk });
} finally {
  if (mounted) run('umount', [place]);
  rmSync(place, { recursive: true, force: true });
}
process.exitCode = failed ? 1 : 0;
