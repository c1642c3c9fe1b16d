import { spawn } from 'node:child_process';
import { closeSync, openSync } from 'node:fs';
import { join } from 'node:path';
import { leftRunning } from './leftRunning.mjs';
import { dataDir, root } from './paths.mjs';
import { isAlive, pause } from './run.mjs';

const standIns = leftRunning('gauges', 'gauges/src/main.ts');
/** Ends the stand-ins this checkout started. Says whether there were any. */
export const stopGauges = standIns.stop;

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
  const before = standIns.running();
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
      standIns.remember(started);
      return started;
    }
    await pause(100);
  }
  return null;
}
