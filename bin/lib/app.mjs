import { createHash } from 'node:crypto';
import { spawn } from 'node:child_process';
import { closeSync, existsSync, openSync, readFileSync, readdirSync, realpathSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { askingTheOlderWay, forNode } from './bundling.mjs';
import { dataDir, root } from './paths.mjs';
import { endProcesses, environmentOf, folderOf, leftRunning, stampOf } from './processes.mjs';
import { pause, Plain, runBeside } from './run.mjs';
import { readState, writeState } from './stateFile.mjs';
import { markWhole } from './wholeScripts.mjs';

const next = join(root, 'node_modules/next/dist/bin/next');
const buildStamp = join(root, 'web/.next/holotonos-source');
const quiet = { ...process.env, NEXT_TELEMETRY_DISABLED: '1', NEXT_IGNORE_INCORRECT_LOCKFILE: '1' };

/** Worked out once: a start asks whether a build is needed, and again when it makes one. */
let knownDigest = null;
const sourceDigest = () =>
  (knownDigest ??= digestOf(['core', 'store', 'web'], readFileSync(join(root, 'package-lock.json'))));

/** Which core works things out: what is kept of its answers says so, and is worked out anew by another. */
export const coreDigest = () => digestOf(['core']);
const coreStamp = join(root, 'web/.next/holotonos-core');

/** A digest of every file in these folders that a build is made from. */
function digestOf(folders, more = '') {
  const hash = createHash('sha256');
  const walk = (folder) => {
    for (const entry of readdirSync(folder, { withFileTypes: true }).sort((a, b) => (a.name < b.name ? -1 : 1))) {
      const path = join(folder, entry.name);
      if (
        ['node_modules', '.next', 'e2e', 'generated', 'next-env.d.ts'].includes(entry.name) ||
        /\.(test\.tsx?|tsbuildinfo)$/.test(entry.name) ||
        path === join(root, 'web/tests')
      )
        continue;
      if (entry.isDirectory()) walk(path);
      else hash.update(path.slice(root.length)).update(readFileSync(path));
    }
  };
  for (const folder of folders) walk(join(root, folder));
  return hash.update(more).digest('hex');
}

/** Is there a build of these very sources? */
export const isBuilt = (digest = sourceDigest()) =>
  existsSync(buildStamp) && readFileSync(buildStamp, 'utf8') === digest;

/**
 * What runs beside Next, one file each: what the threads of the solvers and of the printer run, and what looks at the door
 * who may do what. All are TypeScript, and starting from sources takes seconds.
 */
async function bundleBeside() {
  // Only a build needs it, and it is there only after the packages are.
  const { build } = await import('esbuild');
  const beside = (from, to, external, more = {}) =>
    build({
      entryPoints: [join(root, from)],
      outfile: join(root, to),
      ...forNode,
      external,
      logLevel: 'warning',
      ...more,
    });
  await Promise.all([
    beside('web/src/workers/solving.mjs', 'web/.next/solving.mjs', ['workerpool']),
    beside(
      'web/src/workers/printing.tsx',
      'web/.next/printing.mjs',
      ['workerpool', '@react-pdf/renderer', 'react', 'wawoff2'],
      {
        jsx: 'automatic',
        alias: { '@': join(root, 'web/src') },
      },
    ),
    beside('web/src/server/gate.ts', 'web/.next/gate.mjs', ['pg', 'sharp'], askingTheOlderWay),
  ]);
}

/** Builds the web application unless the build there is of these very sources; returns the digest of the sources. */
export async function ensureBuilt(say) {
  const digest = sourceDigest();
  if (isBuilt(digest)) return digest;
  say('Building (about a minute) …');
  // What is kept for the next build is a sixth of the work: from the second build on it is worth it.
  const env = { ...quiet, HOLOTONOS_BUILD_CACHE: existsSync(buildStamp) ? 'yes' : 'no' };
  await runBeside(process.execPath, [next, 'build', 'web'], { cwd: root, env, failure: 'The build failed' });
  markWhole(join(root, 'web/.next/static/chunks'));
  await bundleBeside();
  writeFileSync(coreStamp, coreDigest());
  writeFileSync(buildStamp, digest);
  return digest;
}

/**
 * Starts a server in the background and waits until it answers.
 *
 * @param names what else than localhost it is called, separated by commas
 * @param kept marks it as one that outlives this call and is found again by `runningServers`
 */
export async function serve({ port, databaseUrl, log, gauges = '', build = '', names = '', kept = false }) {
  const out = openSync(log, 'a', 0o600);
  const child = spawn(process.execPath, [join(root, 'web/serve.mjs'), String(port)], {
    cwd: root,
    env: {
      ...quiet,
      NODE_ENV: 'production',
      DATABASE_URL: databaseUrl,
      HOLOTONOS_GAUGES: gauges,
      HOLOTONOS_NAMES: names,
      ...(kept && { HOLOTONOS_PART: 'server', HOLOTONOS_PORT: String(port), HOLOTONOS_BUILD: build }),
    },
    detached: true,
    stdio: ['ignore', out, out],
  });
  closeSync(out);
  child.unref();
  const address = `http://127.0.0.1:${port}`;
  for (let tries = 0; tries < 300; tries += 1) {
    if (stampOf(child.pid) === null || child.exitCode !== null) break;
    if (await answers(address)) return { pid: child.pid, address };
    await pause(100);
  }
  const tail = existsSync(log) ? readFileSync(log, 'utf8').trim().split('\n').slice(-8).join('\n') : '';
  await endProcesses([child.pid]);
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

/** What is written down of the servers, for people and their scripts; a start asks the processes themselves. */
const serverFile = join(dataDir, 'server.json');

/** Servers of this checkout that earlier starts have left running, whatever state they are in. */
export function runningServers() {
  const found = leftRunning('server', root).map(({ pid, env }) => ({
    pid,
    port: Number(env.HOLOTONOS_PORT),
    databaseUrl: env.DATABASE_URL ?? '',
    build: env.HOLOTONOS_BUILD ?? '',
    names: env.HOLOTONOS_NAMES ?? '',
    address: `http://127.0.0.1:${env.HOLOTONOS_PORT}`,
  }));
  return found.length > 0 ? found : serverBefore();
}

/** A server that an earlier version has started: it does not say what it is, but works here on the database written down. */
function serverBefore() {
  const known = readState(serverFile);
  if (!known?.pid || !known.databaseUrl || folderOf(known.pid) !== realpathSync(root)) return [];
  return environmentOf(known.pid).DATABASE_URL === known.databaseUrl ? [known] : [];
}

/** Writes down which servers run, without the password of their database. */
export const noteServers = () =>
  writeState(serverFile, { servers: runningServers().map(({ pid, port, address }) => ({ pid, port, address })) });

/** Ends servers. Says whether there were any. */
export const stopServers = (servers) => endProcesses(servers.map(({ pid }) => pid));
