// Builds the core in one piece for the tests of whatever stands on it: hundreds of modules read anew by every test file
// take longer than many a test. The core's own tests read its modules as they are. Runs before a Jest project; does nothing
// where the piece is that of these very sources.
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

export default async function buildCore() {
  // What is generated from the schemas is as new as they are.
  const now = `${coreDigest()} ${schemaDigest()}`;
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
    sourcemap: 'inline',
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
