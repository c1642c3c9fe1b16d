import { spawn } from 'node:child_process';
import { closeSync, existsSync, openSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { dataDir, root } from './paths.mjs';
import { isAlive, pause } from './run.mjs';

const file = join(dataDir, 'gauges.json');

/** The stand-in gauges that an earlier start left running, or null. */
export function runningGauges() {
  if (!existsSync(file)) return null;
  const known = JSON.parse(readFileSync(file, 'utf8'));
  // A pid may have been given to someone else since; it must still be the stand-ins.
  const commandLine = `/proc/${known.pid}/cmdline`;
  if (!isAlive(known.pid) || !existsSync(commandLine)) return null;
  return readFileSync(commandLine, 'utf8').includes('gauges/src/main.ts') ? known : null;
}

/** Ends the stand-ins this checkout started. Says whether there were any. */
export async function stopGauges() {
  const known = runningGauges();
  if (!known) return false;
  process.kill(known.pid, 'SIGTERM');
  for (let tries = 0; tries < 60 && isAlive(known.pid); tries += 1) await pause(50);
  if (isAlive(known.pid)) process.kill(known.pid, 'SIGKILL');
  rmSync(file, { force: true });
  return true;
}

const answers = async (pagePort) => {
  try {
    return (await fetch(`http://127.0.0.1:${pagePort}/state`, { signal: AbortSignal.timeout(1000) })).ok;
  } catch {
    return false;
  }
};

/**
 * Starts the stand-in gauges beside a server on `port`, or leaves those that run there. Null when they do not come up:
 * the bench works without them.
 */
export async function startGauges(port) {
  const [linePort, pagePort] = [port + 50, port + 51];
  const before = runningGauges();
  if (before?.linePort === linePort && (await answers(pagePort))) return before;
  if (before) await stopGauges();
  const out = openSync(join(dataDir, 'gauges.log'), 'a');
  const child = spawn(
    process.execPath,
    ['--import', 'tsx', join(root, 'gauges/src/main.ts'), String(linePort), String(pagePort)],
    { cwd: root, detached: true, stdio: ['ignore', out, out] },
  );
  closeSync(out);
  child.unref();
  for (let tries = 0; tries < 200 && isAlive(child.pid) && child.exitCode === null; tries += 1) {
    if (await answers(pagePort)) {
      const started = { pid: child.pid, linePort, pagePort };
      writeFileSync(file, JSON.stringify(started));
      return started;
    }
    await pause(100);
  }
  return null;
}
