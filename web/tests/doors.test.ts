import { expect, test } from '@jest/globals';
import { readdirSync, readFileSync } from 'node:fs';
import { dirname, join, normalize, relative, resolve } from 'node:path';

const source = resolve(import.meta.dirname, '../src');
const files = readdirSync(source, { recursive: true, encoding: 'utf8' }).filter((name) => /\.tsx?$/.test(name));

/** Where an import leads, from the folder of the sources; null where it leads out of them. */
function target(file: string, named: string): string | null {
  if (named.startsWith('@/')) return normalize(named.slice(2));
  return named.startsWith('.') ? normalize(join(dirname(file), named)) : null;
}
const importsOf = (file: string) =>
  [...readFileSync(join(source, file), 'utf8').matchAll(/(?:from|import\() ?'([^']+)'/g)].flatMap(
    ([, named = '']) => target(file, named) ?? [],
  );

test('a private folder is entered only from the folder it lies in, and from below', () => {
  const found = files.flatMap((file) =>
    importsOf(file).map((to) => ({ file, to, home: /^(.*?)\/_[^/]+\//.exec(to)?.[1] })),
  );
  const entered = found.filter(({ home }) => home !== undefined);
  expect(entered.length).toBeGreaterThan(30);
  expect(entered.filter(({ file, home = '' }) => relative(home, file).startsWith('..'))).toEqual([]);
});

test('a screen takes nothing from the private folder of another', () => {
  const private_ = (path: string) => /^(.*\/_[^/]+)\//.exec(path)?.[1] ?? null;
  const across = files.flatMap((file) =>
    importsOf(file)
      .filter((to) => private_(file) !== null && private_(to) !== null && private_(file) !== private_(to))
      .map((to) => `${file} → ${to}`),
  );
  expect(across).toEqual([]);
});

test('a door names what it hands on, in every workspace', () => {
  const root = resolve(source, '../..');
  const doors = ['core', 'store', 'gauges', 'web'].flatMap((room) =>
    readdirSync(join(root, room, 'src'), { recursive: true, encoding: 'utf8' })
      .filter((name) => /(^|\/)index\.tsx?$/.test(name))
      .map((name) => join(room, 'src', name)),
  );
  expect(doors.length).toBeGreaterThan(40);
  expect(doors.filter((door) => /^export \* /m.test(readFileSync(join(root, door), 'utf8')))).toEqual([]);
});
