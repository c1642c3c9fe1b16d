import { expect, test } from '@jest/globals';
import { readFileSync } from 'node:fs';
import { resolve } from 'node:path';

const root = resolve(import.meta.dirname, '../..');
const listed = readFileSync(resolve(root, 'docs/dependencies.md'), 'utf8');

interface Manifest {
  dependencies?: Record<string, string>;
  devDependencies?: Record<string, string>;
}

const used = ['.', 'core', 'store', 'web'].flatMap((workspace) => {
  const manifest = JSON.parse(readFileSync(resolve(root, workspace, 'package.json'), 'utf8')) as Manifest;
  return Object.entries({ ...manifest.dependencies, ...manifest.devDependencies });
});
const others = used.filter(([name]) => !name.startsWith('@holotonos/') && !name.startsWith('@types/'));

test.each(others)('%s is pinned and its purpose written down', (name, version) => {
  expect(version).toMatch(/^\d+\.\d+\.\d+$/);
  // Fonts of one family share a line.
  const family = name.startsWith('@fontsource/') ? '@fontsource/' : name;
  expect(listed).toContain(family);
});

test('no registry address stands in the lockfile', () => {
  expect(readFileSync(resolve(root, 'package-lock.json'), 'utf8')).not.toMatch(/"resolved": "https?:/);
});
