import { spawn, spawnSync } from 'node:child_process';

/** An end that a person can do something about: the message says what happened and what to do. */
export class Plain extends Error {}

/** Throws Plain with `failure` and the last lines of a command that did not end well; else gives its output. */
function outcome(command, args, failure, { error, status, output, stdout }) {
  if (error?.code === 'ENOENT') throw new Plain(`${failure ?? 'A program is missing'}: ${command} is not installed.`);
  if (status === 0) return stdout;
  if (/ENOSPC|No space left on device/i.test(output)) {
    throw new Plain('The disk is full. Free some space (about 2 GB are needed) and run this again; nothing is lost.');
  }
  const tail = output.trim().split('\n').slice(-12).join('\n');
  throw new Plain(`${failure ?? `${command} ${args[0] ?? ''} failed`}.\n${tail}`);
}

/** Runs a command to its end and returns its output; throws Plain with `failure` and the last lines when it fails. */
export function run(command, args, { failure, ...options } = {}) {
  const done = spawnSync(command, args, { encoding: 'utf8', maxBuffer: 64 * 1024 * 1024, ...options });
  const stdout = done.stdout ?? '';
  const output = `${stdout}${done.stderr ?? ''}${done.error?.message ?? ''}`;
  return outcome(command, args, failure, { error: done.error, status: done.status, output, stdout });
}

/** As `run`, while other work goes on. */
export function runBeside(command, args, { failure, ...options } = {}) {
  return new Promise((resolve, reject) => {
    const child = spawn(command, args, { stdio: ['ignore', 'pipe', 'pipe'], ...options });
    let stdout = '';
    let output = '';
    child.stdout.on('data', (piece) => {
      stdout += piece;
      output += piece;
    });
    child.stderr.on('data', (piece) => (output += piece));
    const settle = (end) => {
      try {
        resolve(outcome(command, args, failure, { output, stdout, ...end }));
      } catch (error) {
        reject(error);
      }
    };
    child.on('error', (error) => settle({ error, status: null }));
    child.on('close', (status) => settle({ status }));
  });
}

/**
 * Runs a command and shows its output in one piece when it has ended, so that two at once do not mix their lines.
 *
 * @param isDone tells that it has done its work; it is ended, and that is said, when it stays on for `lingerMs` after
 */
export function showAtOnce(command, args, { isDone, lingerMs = 30_000, ...options } = {}) {
  return new Promise((resolve) => {
    const child = spawn(command, args, { stdio: ['ignore', 'pipe', 'pipe'], ...options });
    const pieces = [];
    let doneAt = null;
    const watch = setInterval(
      () => {
        if (!isDone?.()) return;
        doneAt ??= Date.now();
        if (Date.now() - doneAt < lingerMs) return;
        clearInterval(watch);
        pieces.push(Buffer.from(`${command} had done its work and did not end: something it started still runs.\n`));
        child.kill('SIGKILL');
      },
      Math.min(1000, lingerMs),
    );
    for (const stream of [child.stdout, child.stderr]) stream?.on('data', (piece) => pieces.push(piece));
    child.on('error', () => {
      clearInterval(watch);
      resolve(127);
    });
    child.on('close', (code, signal) => {
      clearInterval(watch);
      process.stdout.write(Buffer.concat(pieces));
      resolve(signal ? 128 : (code ?? 1));
    });
  });
}

export const pause = (ms) => new Promise((resolve) => setTimeout(resolve, ms));
