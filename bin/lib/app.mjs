import { createHash } from 'node:crypto';
import { spawn } from 'node:child_process';
import { closeSync, existsSync, openSync, readFileSync, readdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { leftRunning } from './leftRunning.mjs';
import { root } from './paths.mjs';
import { isAlive, pause, Plain, run } from './run.mjs';

const next = join(root, 'node_modules/next/dist/bin/next');
const buildStamp = join(root, 'web/.next/holotonos-source');
const quiet = { ...process.env, NEXT_TELEMETRY_DISABLED: '1', NEXT_IGNORE_INCORRECT_LOCKFILE: '1' };

/** A digest of every file a build is made from. */
function sourceDigest() {
  const hash = createHash('sha256');
  const walk = (folder) => {
    for (const entry of readdirSync(folder, { withFileTypes: true }).sort((a, b) => (a.name < b.name ? -1 : 1))) {
      if (
        ['node_modules', '.next', 'e2e', 'generated', 'next-env.d.ts'].includes(entry.name) ||
        /\.(test\.tsx?|tsbuildinfo)$/.test(entry.name)
      )
        continue;
      const path = join(folder, entry.name);
      if (entry.isDirectory()) walk(path);
      else hash.update(path.slice(root.length)).update(readFileSync(path));
    }
  };
  for (const folder of ['core', 'store', 'web']) walk(join(root, folder));
  hash.update(readFileSync(join(root, 'package-lock.json')));
  return hash.digest('hex');
}

/** Builds the web application unless the build there is of these very sources; returns the digest of the sources. */
export function ensureBuilt(say) {
  const digest = sourceDigest();
  if (existsSync(buildStamp) && readFileSync(buildStamp, 'utf8') === digest) return digest;
  say('Building (about a minute) …');
  run(process.execPath, [next, 'build', 'web'], { cwd: root, env: quiet, failure: 'The build failed' });
  writeFileSync(buildStamp, digest);
  return digest;
}

/** Starts a server in the background and waits until it answers. */
export async function serve({ port, databaseUrl, log, gauges = '' }) {
  const out = openSync(log, 'a');
  const child = spawn(process.execPath, [next, 'start', 'web', '-p', String(port), '-H', '127.0.0.1'], {
    cwd: root,
    env: { ...quiet, NODE_ENV: 'production', DATABASE_URL: databaseUrl, HOLOTONOS_GAUGES: gauges },
    detached: true,
    stdio: ['ignore', out, out],
  });
  closeSync(out);
  child.unref();
  const address = `http://127.0.0.1:${port}`;
  for (let tries = 0; tries < 300; tries += 1) {
    if (!isAlive(child.pid) || child.exitCode !== null) break;
    if (await answers(address)) return { pid: child.pid, address };
    await pause(100);
  }
  const tail = existsSync(log) ? readFileSync(log, 'utf8').trim().split('\n').slice(-8).join('\n') : '';
  try {
    process.kill(child.pid);
  } catch {
    // It has ended by itself.
  }
  throw new Plain(`The server did not come up. Its last words:\n${tail}`);
}

/** Does a Holotonos answer at this address, and does its database? */
export async function answers(address) {
  try {
    const response = await fetch(`${address}/api/health`, { signal: AbortSignal.timeout(2000) });
    return response.ok && (await response.json()).app === 'holotonos';
  } catch {
    return false;
  }
}

/** The server that an earlier start of this checkout left running. */
const server = leftRunning('server', 'next');
export const runningServer = server.running;
export const rememberServer = server.remember;
export const stopServer = server.stop;
