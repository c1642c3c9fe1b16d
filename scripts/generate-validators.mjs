// Compiles every schema of the core to plain JavaScript, so that pages validate without `eval` and every caller
// runs the same code. Writes core/src/generated; run again whenever a schema changes (bin/start and bin/test do).
import { mkdirSync, rmSync, writeFileSync } from 'node:fs';
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
    onResolve({ filter: /\/generated\// }, () => ({ path: 'not-yet', namespace: 'not-yet' }));
    onLoad({ filter: /.*/, namespace: 'not-yet' }, () => ({ contents: 'module.exports = {};' }));
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

const header = '// Made by scripts/generate-validators.mjs from the schemas of the core. Do not edit.\n';
/** Smaller ones are checked where they stand: a call would cost more. */
const leastShared = 300;

/**
 * The same schemas with every larger part that stands in several places made a schema of its own, so that its check is
 * compiled once: `schemas` by name, and `shared` by the names they are referred to.
 */
function sharing(schemas) {
  const times = new Map();
  const count = (part) => {
    if (part === null || typeof part !== 'object') return;
    times.set(part, (times.get(part) ?? 0) + 1);
    if (times.get(part) === 1) Object.values(part).forEach(count);
  };
  Object.values(schemas).forEach(count);
  const shared = new Map();
  const isSchema = (part) => typeof part.type === 'string' || Array.isArray(part.type);
  const put = (part) => {
    if (part === null || typeof part !== 'object') return part;
    if (Array.isArray(part)) return part.map(put);
    const own = () => Object.fromEntries(Object.entries(part).map(([key, value]) => [key, put(value)]));
    if (times.get(part) < 2 || !isSchema(part) || JSON.stringify(part).length < leastShared) return own();
    if (!shared.has(part)) shared.set(part, { name: `shared_${shared.size + 1}`, schema: own() });
    return { $ref: shared.get(part).name };
  };
  return {
    schemas: Object.fromEntries(Object.entries(schemas).map(([name, schema]) => [name, put(schema)])),
    shared: Object.fromEntries([...shared.values()].map(({ name, schema }) => [name, schema])),
  };
}

/** One module of validators. The run-time helpers are brought in with `require`; bundling makes it one plain module. */
async function moduleOf(whole) {
  const { schemas, shared } = sharing(whole);
  const ajv = new (Ajv2020.default ?? Ajv2020)({
    allErrors: true,
    strict: true,
    strictTypes: false,
    allowUnionTypes: true,
    discriminator: true,
    strictRequired: false,
    inlineRefs: false,
    code: { source: true, esm: true, lines: false },
  });
  addFormats(ajv);
  for (const [name, schema] of Object.entries({ ...shared, ...schemas })) ajv.addSchema({ ...schema, $id: name }, name);
  const names = Object.keys(schemas);
  const source = standalone(ajv, Object.fromEntries(names.map((name) => [name, name])));
  const single = await build({
    stdin: { contents: source, resolveDir: root, loader: 'js' },
    bundle: true,
    format: 'esm',
    platform: 'neutral',
    mainFields: ['main'],
    minifySyntax: true,
    minifyWhitespace: true,
    write: false,
  });
  const { code } = await transform(single.outputFiles[0].text, { minify: true, format: 'esm' });
  const types = names.map((name) => `export declare const ${name}: Validator;\n`);
  return {
    code: header + code,
    types: `${header}import type { Validator } from '../validation';\n${types.join('')}`,
  };
}

rmSync(out, { recursive: true, force: true });
mkdirSync(out, { recursive: true });
for (const [group, schemas] of Object.entries(compiledSchemas)) {
  const { code, types } = await moduleOf(schemas);
  writeFileSync(join(out, `${group}.js`), code);
  writeFileSync(join(out, `${group}.d.ts`), types);
  await import(`${pathToFileURL(join(out, `${group}.js`)).href}?${now}`);
}
writeFileSync(stamp, now);
