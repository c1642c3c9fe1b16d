import { build } from 'esbuild';
import { join, resolve } from 'node:path';
import { pathToFileURL } from 'node:url';

const root = resolve(import.meta.dirname, '..');

/** The core as a browser and the threads of the server get it: one small file. Run from sources it is half as fast. */
export async function shippedCore() {
  const outfile = join(root, '.data/shipped-core.mjs');
  await build({
    // What hears stands beside the core, so that no page loads it that does not listen.
    stdin: {
      contents: `export * from './index'; export * from './listening';`,
      resolveDir: join(root, 'core/src'),
      loader: 'ts',
    },
    outfile,
    bundle: true,
    minify: true,
    format: 'esm',
    platform: 'node',
    target: 'node20',
    logLevel: 'warning',
  });
  return import(pathToFileURL(outfile).href);
}
