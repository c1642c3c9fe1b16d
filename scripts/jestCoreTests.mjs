// Builds the core's own tests, each in one piece with all it asks: hundreds of modules read anew by every test file take
// longer than most tests (188 s of one core before, 134 now). `bin/test` builds and runs these, mutations of the core
// ask them; a single test is run as it is written.
import { readdirSync, readFileSync, rmSync } from 'node:fs';
import { dirname, join, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import { build } from 'esbuild';
import { forJest } from './jestBundle.mjs';

const root = resolve(dirname(fileURLToPath(import.meta.url)), '..');
const out = join(root, '.data/jest-core-tests');

const types = join(root, 'core/src/instruments/instrumentTypes.ts');

/** A test that reads files beside itself finds them where it was written; each knows the types that ship, as unbundled code does. */
const asWritten = {
  name: 'as it was written',
  setup: ({ onLoad, onResolve }) => {
    onResolve({ filter: /\/instrumentTypes(\.ts)?$/ }, () => ({ path: types, sideEffects: true }));
    onLoad({ filter: /[/\\]core[/\\].*\.ts$/ }, ({ path }) => {
      const text = readFileSync(path, 'utf8');
      const placed = text.replaceAll('import.meta.dirname', JSON.stringify(dirname(path)));
      const isTest = path.endsWith('.test.ts');
      if (!isTest && placed === text) return undefined;
      return { contents: isTest ? `${placed}\nimport ${JSON.stringify(types)};` : placed, loader: 'ts' };
    });
  },
};

/** What is built, and how. */
export const coreTests = () => ({
  entryPoints: readdirSync(join(root, 'core'), { recursive: true, encoding: 'utf8' })
    .filter((file) => file.endsWith('.test.ts') && !/node_modules|\.clock\.|examples\.test/.test(file))
    .map((file) => join(root, 'core', file)),
  outbase: join(root, 'core'),
  outdir: out,
  ...forJest,
  plugins: [asWritten],
});

export default async function buildCoreTests() {
  rmSync(out, { recursive: true, force: true });
  await build({ ...coreTests(), sourcemap: 'linked', sourcesContent: false });
}
