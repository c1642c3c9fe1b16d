import { spawn } from 'node:child_process';
import { closeSync, openSync } from 'node:fs';
import { join } from 'node:path';
import { dataDir, root } from './paths.mjs';
import { endProcesses, leftRunning, stampOf } from './processes.mjs';
import { startOf } from './program.mjs';
import { pause } from './run.mjs';

const running = () =>
  leftRunning('gauges', root).map(({ pid, env }) => ({
    pid,
    linePort: Number(env.HOLOTONOS_PORT),
    pagePort: Number(env.HOLOTONOS_PORT) + 1,
  }));

/** Ends the stand-ins this checkout started, all of them or those that send lines at one port. Says whether there were any. */
export const stopGauges = (linePort = null) =>
  endProcesses(
    running()
      .filter((each) => linePort === null || each.linePort === linePort)
      .map(({ pid }) => pid),
  );

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
  const before = running().find((each) => each.linePort === linePort);
  if (before && (await answers(pagePort))) return before;
  if (before) await stopGauges(linePort);
  const main = await startOf('gauges/src/main.ts');
  const out = openSync(join(dataDir, 'gauges.log'), 'a');
  const child = spawn(process.execPath, [...main, String(linePort), String(pagePort)], {
    cwd: root,
    env: { ...process.env, HOLOTONOS_PART: 'gauges', HOLOTONOS_PORT: String(linePort) },
    detached: true,
    stdio: ['ignore', out, out],
  });
  closeSync(out);
  child.unref();
  for (let tries = 0; tries < 200 && stampOf(child.pid) !== null && child.exitCode === null; tries += 1) {
    if (await answers(pagePort)) {
      return { pid: child.pid, linePort, pagePort };
    }
    await pause(100);
  }
  return null;
}
