import { spawn, spawnSync } from 'node:child_process';

/** An end that a person can do something about: the message says what happened and what to do. */
export class Plain extends Error {}

/** Runs a command to its end and returns its output; throws Plain with `failure` and the last lines when it fails. */
export function run(command, args, { failure, ...options } = {}) {
  const done = spawnSync(command, args, { encoding: 'utf8', maxBuffer: 64 * 1024 * 1024, ...options });
  if (done.error?.code === 'ENOENT')
    throw new Plain(`${failure ?? 'A program is missing'}: ${command} is not installed.`);
  if (done.status !== 0) {
    const output = `${done.stdout ?? ''}${done.stderr ?? ''}${done.error?.message ?? ''}`;
    if (/ENOSPC|No space left on device/i.test(output)) {
      throw new Plain('The disk is full. Free some space (about 2 GB are needed) and run this again; nothing is lost.');
    }
    const tail = output.trim().split('\n').slice(-12).join('\n');
    throw new Plain(`${failure ?? `${command} ${args[0] ?? ''} failed`}.\n${tail}`);
  }
  return done.stdout ?? '';
}

/** Runs a command with its output shown; resolves to its exit code. */
export function show(command, args, options = {}) {
  return new Promise((resolve) => {
    const child = spawn(command, args, { stdio: ['ignore', 'inherit', 'inherit'], ...options });
    child.on('error', () => resolve(127));
    child.on('exit', (code, signal) => resolve(signal ? 128 : (code ?? 1)));
  });
}

export const isAlive = (pid) => {
  try {
    process.kill(pid, 0);
    return true;
  } catch (error) {
    return error.code === 'EPERM';
  }
};

export const pause = (ms) => new Promise((resolve) => setTimeout(resolve, ms));
