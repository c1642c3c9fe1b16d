// Compiles every schema of the core to plain JavaScript, so that pages validate without `eval` and every caller
// runs the same code. Writes core/src/generated; run again whenever a schema changes (bin/start and bin/test do).
import { mkdirSync, writeFileSync } from 'node:fs';
import { dirname, join, resolve } from 'node:path';
import { fileURLToPath, pathToFileURL } from 'node:url';
import Ajv2020 from 'ajv/dist/2020.js';
import standaloneModule from 'ajv/dist/standalone/index.js';
import addFormatsModule from 'ajv-formats';
import { build, transform } from 'esbuild';
import { generated as out, isGenerated, schemaDigest } from './schemaDigest.mjs';

const root = resolve(dirname(fileURLToPath(import.meta.url)), '..');
const core = join(root, 'core/src');
const addFormats = addFormatsModule.default ?? addFormatsModule;
const standalone = standaloneModule.default ?? standaloneModule;

const stamp = join(out, 'stamp.txt');
const now = schemaDigest();
if (isGenerated(now) && !process.argv.includes('--force')) process.exit(0);

/** A schema stands beside the code that lives by it, which asks the very validators that are made here. */
const notYet = {
  name: 'validators that are not there yet',
  setup: ({ onResolve, onLoad }) => {
    onResolve({ filter: /generated\/validators/ }, () => ({ path: 'validators', namespace: 'not-yet' }));
    onLoad({ filter: /.*/, namespace: 'not-yet' }, () => ({ contents: 'export {};' }));
  },
};

const bundled = await build({
  entryPoints: [join(core, 'schemas.ts')],
  bundle: true,
  format: 'esm',
  platform: 'neutral',
  mainFields: ['module', 'main'],
  plugins: [notYet],
  write: false,
});
const { compiledSchemas } = await import(
  `data:text/javascript;base64,${Buffer.from(bundled.outputFiles[0].text).toString('base64')}`
);

const ajv = new (Ajv2020.default ?? Ajv2020)({
  allErrors: true,
  strict: true,
  strictTypes: false,
  allowUnionTypes: true,
  discriminator: true,
  strictRequired: false,
  code: { source: true, esm: true, lines: false },
});
addFormats(ajv);
const names = {};
for (const [name, schema] of Object.entries(compiledSchemas)) {
  ajv.addSchema({ ...schema, $id: name }, name);
  names[name] = name;
}
// The run-time helpers are brought in with `require`; bundling makes the result one plain module.
const source = standalone(ajv, names);
const single = await build({
  stdin: { contents: source, resolveDir: root, sourcefile: 'validators.js', loader: 'js' },
  bundle: true,
  format: 'esm',
  platform: 'neutral',
  mainFields: ['main'],
  minifySyntax: true,
  minifyWhitespace: true,
  write: false,
});
const { code } = await transform(single.outputFiles[0].text, { minify: true, format: 'esm' });
mkdirSync(out, { recursive: true });
const banner = '// Made by scripts/generate-validators.mjs from the schemas of the core. Do not edit.\n';
writeFileSync(join(out, 'validators.js'), banner + code);
writeFileSync(
  join(out, 'validators.d.ts'),
  `${banner}${Object.keys(names)
    .map((name) => `export declare const ${name}: (data: unknown) => boolean;\n`)
    .join('')}`,
);
await import(`${pathToFileURL(join(out, 'validators.js')).href}?${now}`);
writeFileSync(stamp, now);
