// Builds the core in one piece for the tests of whatever stands on it: hundreds of modules read anew by every test file
// take longer than many a test. The core's own tests read its modules as they are. Runs before a Jest project; does nothing
// where the piece is that of these very sources.
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import { dirname, join, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import { build } from 'esbuild';

const root = resolve(dirname(fileURLToPath(import.meta.url)), '..');
const sources = join(root, 'core/src');
const out = join(root, '.data/jest-core');
const stamp = join(out, 'stamp.txt');

/** What the piece is made of, as one number. */
function digest() {
  const hash = createHash('sha256');
  const files = readdirSync(sources, { recursive: true, withFileTypes: true })
    .filter((entry) => entry.isFile() && !entry.name.endsWith('.test.ts'))
    .map((entry) => join(entry.parentPath, entry.name))
    .sort();
  for (const file of files) hash.update(file).update(readFileSync(file));
  return hash.digest('hex');
}

export default async function buildCore() {
  const now = digest();
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === now) return;
  const folders = readdirSync(sources, { withFileTypes: true })
    .filter((entry) => entry.isDirectory() && existsSync(join(sources, entry.name, 'index.ts')))
    .map(({ name }) => join(sources, name, 'index.ts'));
  const fresh = `${out}.${process.pid}`;
  await build({
    entryPoints: [join(sources, 'index.ts'), ...folders],
    outbase: sources,
    outdir: fresh,
    bundle: true,
    splitting: true,
    format: 'esm',
    platform: 'node',
    target: 'node20',
    packages: 'external',
    keepNames: true,
    sourcemap: 'inline',
    logLevel: 'error',
  });
  mkdirSync(fresh, { recursive: true });
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
