import { afterEach, beforeEach, expect, jest, test } from '@jest/globals';
import { spawn } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { once } from 'node:events';
import { resolve } from 'node:path';
import { familyOf, stampOf } from './processes.mjs';
import { showAtOnce } from './run.mjs';

let shown = '';
beforeEach(() => {
  shown = '';
  jest.spyOn(process.stdout, 'write').mockImplementation((piece) => {
    shown += String(piece);
    return true;
  });
});
afterEach(() => {
  jest.restoreAllMocks();
});
const node = (program: string, options = {}) => showAtOnce(process.execPath, ['-e', program], options);

test('what a command says is shown in one piece when it has ended, with its code', async () => {
  expect(await node('console.log(1); console.error(2); process.exitCode = 3')).toBe(3);
  expect(shown).toMatch(/1\n2\n|2\n1\n/);
  expect(await showAtOnce('/no/such/program', [])).toBe(127);
});

test('one that has done its work and does not end is ended, and that is said', async () => {
  const begun = Date.now();
  const code = await node('setInterval(() => {}, 1000)', { isDone: () => true, lingerMs: 200 });
  expect(code).toBe(128);
  expect(shown).toMatch(/had done its work and did not end/);
  expect(Date.now() - begun).toBeLessThan(20_000);
});

test('one that is still at work is waited for', async () => {
  expect(await node('setTimeout(() => {}, 1500)', { isDone: () => false, lingerMs: 50 })).toBe(0);
  expect(shown).toBe('');
});

test('a run of the checks that is told to stop ends what it has begun, and counts nothing as passed', async () => {
  const child = spawn(process.execPath, [resolve(import.meta.dirname, '../test'), 'imports'], {
    stdio: ['ignore', 'pipe', 'pipe'],
    env: { ...process.env, NODE_OPTIONS: '' },
  });
  const ended = once(child, 'close');
  let said = '';
  for (const stream of [child.stdout, child.stderr]) stream.on('data', (piece) => (said += String(piece)));
  const begun = () =>
    familyOf(child.pid ?? 0).filter((pid) => readFileSync(`/proc/${pid}/cmdline`, 'utf8').includes('depcruise'));
  while (begun().length === 0 && child.exitCode === null) await new Promise((wait) => setTimeout(wait, 50));
  const checks = begun();
  child.kill('SIGTERM');
  expect(await ended).toEqual([1, null]);
  expect(checks.length).toBeGreaterThan(0);
  expect(checks.filter((pid) => stampOf(pid) !== null)).toEqual([]);
  expect(said).toMatch(/Stopped \(SIGTERM\) before all was asked/);
  expect(said.trimEnd().split('\n').at(-1)).toBe('0 passed, 1 failed');
}, 120_000);
