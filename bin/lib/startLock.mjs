import { linkSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { stampOf } from './processes.mjs';
import { Plain } from './run.mjs';

const busy = () => new Plain('Another bin/start is at work in this folder. Wait until it is done.');
const read = (file) => {
  try {
    return readFileSync(file, 'utf8').trim();
  } catch {
    return '';
  }
};

/**
 * One start at a time. The lock says which process holds it and since when, so that a number the system has given to
 * somebody else in the meantime holds nothing. Gives what lets it go.
 *
 * @throws Plain when another start holds it
 */
export function takeLock(folder) {
  mkdirSync(folder, { recursive: true });
  const lock = join(folder, 'start.lock');
  const own = `${lock}.${process.pid}`;
  writeFileSync(own, `${stampOf(process.pid)}\n`);
  try {
    for (let tries = 0; tries < 3; tries += 1) {
      try {
        // A link appears whole or not at all, and only where there is none.
        linkSync(own, lock);
        return () => rmSync(lock, { force: true });
      } catch (error) {
        if (error.code !== 'EEXIST') throw error;
        const holder = read(lock);
        const pid = Number(holder.split(' ')[0]);
        if (pid > 0 && stampOf(pid) === holder) throw busy();
        rmSync(lock, { force: true });
      }
    }
    throw busy();
  } finally {
    rmSync(own, { force: true });
  }
}
