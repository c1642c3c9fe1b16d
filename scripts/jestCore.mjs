// Builds the core in one piece for the tests of whatever stands on it, and likewise the packages that come in a hundred
// modules: read anew by every test file they take longer than many a test. The core's own tests read its modules as they
// are. Runs before a Jest project; does nothing where the pieces are those of these very sources.
import { createHash } from 'node:crypto';
import { existsSync, readdirSync, readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import { dirname, join, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import { build } from 'esbuild';
import { coreDigest } from '../bin/lib/app.mjs';
import { forJest } from './jestBundle.mjs';
import { schemaDigest } from './schemaDigest.mjs';

const root = resolve(dirname(fileURLToPath(import.meta.url)), '..');
const sources = join(root, 'core/src');
const out = join(root, '.data/jest-core');
const stamp = join(out, 'stamp.txt');
/** Names as they are imported; `onCore` in the configuration of Jest sends them here. */
const packages = [
  'drizzle-orm',
  'drizzle-orm/node-postgres',
  'drizzle-orm/node-postgres/migrator',
  'drizzle-orm/pg-core',
];
/** The same, of those that draw. */
const drawn = ['@testing-library/react', ...['Button', 'Form', 'Modal'].map((part) => `react-bootstrap/${part}`)];

export default async function buildCore() {
  // What is generated from the schemas is as new as they are.
  const made = createHash('sha256').update(coreDigest()).update(schemaDigest());
  for (const by of [fileURLToPath(import.meta.url), join(root, 'package-lock.json')]) made.update(readFileSync(by));
  const now = made.digest('hex');
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === now) return;
  const folders = readdirSync(sources, { withFileTypes: true })
    .filter((entry) => entry.isDirectory() && existsSync(join(sources, entry.name, 'index.ts')))
    .map(({ name }) => join(sources, name, 'index.ts'));
  const fresh = `${out}.${process.pid}`;
  await build({
    entryPoints: [join(sources, 'index.ts'), ...folders],
    outbase: sources,
    outdir: fresh,
    ...forJest,
    splitting: true,
    sourcemap: 'linked',
    sourcesContent: false,
  });
  await build({
    entryPoints: packages.map((name) => ({ in: name, out: join('packages', name) })),
    outdir: fresh,
    ...forJest,
    external: [...forJest.external, 'pg'],
    absWorkingDir: join(root, 'store'),
    splitting: true,
  });
  // React itself stays one, for it and for what it draws.
  await build({
    entryPoints: drawn.map((name) => ({ in: name, out: join('packages', name) })),
    outdir: fresh,
    ...forJest,
    splitting: true,
    external: [...forJest.external, 'react', 'react-dom', 'react-dom/*'],
    platform: 'browser',
    absWorkingDir: join(root, 'web'),
  });
  writeFileSync(join(fresh, 'stamp.txt'), now);
  rmSync(out, { recursive: true, force: true });
  try {
    renameSync(fresh, out);
  } catch (error) {
    // Another project of the same run was first, with the same piece.
    rmSync(fresh, { recursive: true, force: true });
    if (!existsSync(stamp) || readFileSync(stamp, 'utf8') !== now) throw error;
  }
}
