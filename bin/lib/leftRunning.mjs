import { existsSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { dataDir } from './paths.mjs';
import { isAlive, pause } from './run.mjs';

/**
 * A process that a start leaves running, written down in a file of the data folder.
 *
 * @param words what its command line must hold: a pid may have been given to someone else since
 */
export function leftRunning(name, words) {
  const file = join(dataDir, `${name}.json`);
  const running = () => {
    if (!existsSync(file)) return null;
    const known = JSON.parse(readFileSync(file, 'utf8'));
    const commandLine = `/proc/${known.pid}/cmdline`;
    if (!isAlive(known.pid) || !existsSync(commandLine)) return null;
    return readFileSync(commandLine, 'utf8').includes(words) ? known : null;
  };
  return {
    /** What was written down of it, or null when it does not run. */
    running,
    remember: (known) => writeFileSync(file, JSON.stringify(known)),
    /** Ends it, by force when it does not go. Says whether it ran. */
    stop: async () => {
      const known = running();
      if (!known) return false;
      process.kill(known.pid, 'SIGTERM');
      for (let tries = 0; tries < 100 && isAlive(known.pid); tries += 1) await pause(50);
      if (isAlive(known.pid)) process.kill(known.pid, 'SIGKILL');
      rmSync(file, { force: true });
      return true;
    },
  };
}
