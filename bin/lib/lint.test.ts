// What the linter must find: faults planted in files of their own, laid out as the sources are.
import { spawnSync } from 'node:child_process';
import { copyFileSync, mkdirSync, mkdtempSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { afterAll, beforeAll, expect, test } from '@jest/globals';

const root = join(import.meta.dirname, '../..');

const faults: Record<string, { source: string; found: string[] }> = {
  'core/src/types.ts': {
    source: `export const length: number = 'long';`,
    found: ['typescript(TS2322)'],
  },
  'core/src/unchecked.ts': {
    source: `export const first = (list: number[]): number => list[0];`,
    found: ['typescript(TS2322)'],
  },
  'core/src/clock.ts': {
    source: `export const now = () => [Date.now(), Math.random(), fetch];`,
    found: ['eslint(no-restricted-globals)', 'eslint(no-restricted-properties)', 'eslint(no-restricted-properties)'],
  },
  'core/src/loose.ts': {
    source: `export const any = (a: any) => a!.b;`,
    found: ['typescript(no-explicit-any)', 'typescript(no-non-null-assertion)'],
  },
  'store/src/promises.ts': {
    source: `
      import { later } from './later';
      const send = async () => later;
      export function lost() {
        send();
        [1].forEach(async () => void (await send()));
        setTimeout(async () => { await send(); }, 1);
      }`,
    found: ['typescript(no-floating-promises)', 'typescript(no-misused-promises)', 'typescript(no-misused-promises)'],
  },
  'store/src/later.ts': { source: `export const later = 1;`, found: [] },
  'store/src/imports.ts': {
    source: `
      import { Pool } from 'pg';
      const unused = 1;
      export const of = (pool: Pool) => pool;`,
    found: ['eslint(no-unused-vars)', 'typescript(consistent-type-imports)'],
  },
  'web/src/job/Hooks.tsx': {
    source: `
      import { useEffect, useRef, useState } from 'react';
      import Link from 'next/link';
      export function Hooks({ on, of }: { on: boolean; of: string[] }) {
        const [said, say] = useState('');
        const box = useRef('');
        useEffect(() => { say(on ? 'on' : 'off'); }, []);
        if (on) useState(0);
        return <Link href="/">{of.map((name) => <i>{name}</i>)}{said}{box.current}</Link>;
      }`,
    found: [
      'eslint(no-restricted-imports)',
      'react-hooks(exhaustive-deps)',
      'react-hooks(rules-of-hooks)',
      'react(jsx-key)',
      'react(refs)',
      'react(set-state-in-effect)',
    ],
  },
  'web/src/job/effects.ts': {
    source: `
      import { useEffect, useState } from 'react';
      export function useSaid(on: boolean) {
        const [said, say] = useState('');
        useEffect(() => say(on ? 'on' : 'off'), [on]);
        return said;
      }`,
    found: ['react(set-state-in-effect)'],
  },
  'web/src/ui/Link.tsx': { source: `export { default } from 'next/link';`, found: [] },
};

const rooms = ['core', 'store', 'web'];
let planted = '';
beforeAll(() => {
  planted = mkdtempSync(join(tmpdir(), 'planted-'));
  for (const [name, { source }] of Object.entries(faults)) {
    mkdirSync(dirname(join(planted, name)), { recursive: true });
    writeFileSync(join(planted, name), `${source}\n`);
  }
  symlinkSync(join(root, 'node_modules'), join(planted, 'node_modules'));
  for (const name of ['.oxlintrc.json', 'tsconfig.base.json']) copyFileSync(join(root, name), join(planted, name));
  const compilerOptions = { types: ['node'], jsx: 'react-jsx' };
  writeFileSync(
    join(planted, 'tsconfig.json'),
    JSON.stringify({ extends: './tsconfig.base.json', compilerOptions, include: rooms }),
  );
});
afterAll(() => rmSync(planted, { recursive: true, force: true }));

test('faults of types, promises, hooks and of what a room may use are each found, and nothing else', () => {
  const { stdout, status } = spawnSync(join(planted, 'node_modules/.bin/oxlint'), ['--format', 'json', ...rooms], {
    cwd: planted,
    encoding: 'utf8',
    timeout: 60_000,
  });
  const { diagnostics } = JSON.parse(stdout) as { diagnostics: { code: string; filename: string }[] };
  const found = Object.fromEntries(Object.keys(faults).map((name) => [name, [] as string[]]));
  for (const { code, filename } of diagnostics) found[filename]?.push(code);
  expect(
    Object.fromEntries(Object.entries(found).map(([name, codes]) => [name, codes.sort((a, b) => a.localeCompare(b))])),
  ).toEqual(Object.fromEntries(Object.entries(faults).map(([name, { found: codes }]) => [name, codes])));
  expect(status).toBe(1);
});
