import { build } from 'esbuild';
import { join, resolve } from 'node:path';
import { pathToFileURL } from 'node:url';

const root = resolve(import.meta.dirname, '..');

/** The core as a browser and the threads of the server get it: one small file. Run from sources it is half as fast. */
export async function shippedCore() {
  const outfile = join(root, '.data/shipped-core.mjs');
  await build({
    // What is measured stands behind doors of its own: the core says outside only what somebody asks for.
    stdin: {
      contents: ['index', 'instruments', 'job', 'sound', 'listening', 'judgement', 'plan', 'record', 'schedule']
        .map((room) => `export * from './${room}';`)
        .join(''),
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
