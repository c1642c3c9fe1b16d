import { afterEach, beforeEach, expect, jest, test } from '@jest/globals';
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
