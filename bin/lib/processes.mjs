import { readdirSync, readFileSync, readlinkSync, realpathSync } from 'node:fs';
import { pause } from './run.mjs';

/** The working folder of a process, or null when it is gone, dead and not yet collected, or somebody else's. */
export function folderOf(pid) {
  try {
    return readlinkSync(`/proc/${pid}/cwd`);
  } catch {
    return null;
  }
}

/** What a process was started with in its environment, by name; empty when it may not be read. */
export function environmentOf(pid) {
  try {
    const pairs = readFileSync(`/proc/${pid}/environ`, 'utf8').split('\0').filter(Boolean);
    return Object.fromEntries(
      pairs.map((pair) => [pair.slice(0, pair.indexOf('=')), pair.slice(pair.indexOf('=') + 1)]),
    );
  } catch {
    return {};
  }
}

/** What /proc says of a process after its name, which may hold anything: state, parent, … Null when it is gone. */
function statusOf(pid) {
  try {
    return readFileSync(`/proc/${pid}/stat`, 'utf8')
      .replace(/^.*\) /s, '')
      .split(' ');
  } catch {
    return null;
  }
}

/** The process that started this one. */
export const parentOf = (pid) => Number(statusOf(pid)?.[1] ?? 0);

/** A process and the moment it began: a number given to another process later makes another stamp. Null when it is gone. */
export function stampOf(pid) {
  const fields = statusOf(pid);
  if (!fields || fields[0] === 'Z' || fields[0] === 'X') return null;
  return `${pid} ${fields[19]} ${readFileSync('/proc/sys/kernel/random/boot_id', 'utf8').trim()}`;
}

const allPids = () =>
  readdirSync('/proc')
    .filter((name) => /^\d+$/.test(name))
    .map(Number);

/** Every living process that works in this folder. */
export function processesIn(folder) {
  const real = realpathSync(folder);
  return allPids().filter((pid) => folderOf(pid) === real && stampOf(pid) !== null);
}

/** Every living process that this one has started, and what those have started in turn; those that went their own way are none. */
export function familyOf(pid) {
  const parents = new Map(allPids().map((each) => [each, parentOf(each)]));
  const family = [];
  for (let born = [pid]; born.length > 0; family.push(...born))
    born = [...parents].flatMap(([each, parent]) => (born.includes(parent) && stampOf(each) !== null ? [each] : []));
  return family;
}

/**
 * The processes a start of this checkout has left running as `part`. Each carries the name of its part in its
 * environment and works in the checkout, and both are asked of the process itself: a file could be half-written, copied
 * or as old as the process number in it.
 *
 * @returns their process number and environment, oldest number first
 */
export function leftRunning(part, root) {
  return processesIn(root)
    .map((pid) => ({ pid, env: environmentOf(pid) }))
    .filter(({ env }) => env.HOLOTONOS_PART === part)
    .sort((a, b) => a.pid - b.pid);
}

/** Ends processes, by force when they do not go within five seconds or are not asked first. Says whether there were any. */
export async function endProcesses(pids, first = 'SIGTERM') {
  const stamps = new Map(pids.map((pid) => [pid, stampOf(pid)]));
  const alive = () => pids.filter((pid) => stamps.get(pid) !== null && stampOf(pid) === stamps.get(pid));
  const signal = (name) => {
    for (const pid of alive()) {
      try {
        process.kill(pid, name);
      } catch {
        // It has just ended by itself.
      }
    }
  };
  const any = alive().length > 0;
  signal(first);
  for (let tries = 0; tries < 100 && alive().length > 0; tries += 1) await pause(50);
  signal('SIGKILL');
  for (let tries = 0; tries < 40 && alive().length > 0; tries += 1) await pause(50);
  return any;
}
