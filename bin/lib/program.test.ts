import { afterEach, beforeEach, expect, test } from '@jest/globals';
import { spawnSync } from 'node:child_process';
import { existsSync, mkdtempSync, readdirSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { programOf, startOf } from './program.mjs';

let folder = '';
const at = (name: string) => join(folder, name);
const kept = () => at('kept');
const said = (args: string[]) =>
  spawnSync(process.execPath, args, { env: { ...process.env, NODE_OPTIONS: '' }, encoding: 'utf8' }).stdout.trim();
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'holotonos-program-'));
  writeFileSync(at('greeting.ts'), "export const greeting: string = 'good morning';\n");
  writeFileSync(at('hello.ts'), "import { greeting } from './greeting';\nconsole.log(greeting);\n");
});
afterEach(() => rmSync(folder, { recursive: true, force: true }));

test('a program is one file that runs by itself, and stays as long as its sources do', async () => {
  const file = await programOf(at('hello.ts'), kept());
  expect(file).toBe(join(kept(), 'hello.mjs'));
  expect(said([file ?? ''])).toBe('good morning');
  const before = statSync(file ?? '').ino;
  expect(await programOf(at('hello.ts'), kept())).toBe(file);
  expect(statSync(file ?? '').ino).toBe(before);
  // Nothing half made is left beside it.
  expect(readdirSync(kept()).sort()).toEqual(['hello.mjs', 'hello.mjs.json']);
});
test('it is made anew when a source it reads has changed, or when it is gone', async () => {
  const file = (await programOf(at('hello.ts'), kept())) ?? '';
  writeFileSync(at('greeting.ts'), "export const greeting = 'good evening, all';\n");
  expect(said(await startOf(at('hello.ts'), kept()))).toBe('good evening, all');
  rmSync(file);
  expect(said(await startOf(at('hello.ts'), kept()))).toBe('good evening, all');
});
test('where it cannot be made or kept it starts from its sources, which say what is wrong', async () => {
  writeFileSync(kept(), 'a file where the folder should be');
  expect(await programOf(at('hello.ts'), kept())).toBeNull();
  expect(await startOf(at('hello.ts'), kept())).toEqual(['--import', 'tsx', at('hello.ts')]);
  rmSync(kept());
  writeFileSync(at('hello.ts'), "import './nothing';\n");
  expect(await programOf(at('hello.ts'), kept())).toBeNull();
  expect(existsSync(join(kept(), 'hello.mjs'))).toBe(false);
});
