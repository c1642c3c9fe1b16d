/** Writes the published schemas to docs/schemas. `--check` only says whether they are fresh. */
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { publishedSchemas } from '@holotonos/core';
import { format } from 'prettier';

const folder = resolve(import.meta.dirname, '../docs/schemas');
let stale = false;
mkdirSync(folder, { recursive: true });
for (const [name, schema] of Object.entries(publishedSchemas)) {
  const text = await format(JSON.stringify(schema), { parser: 'json', printWidth: 120 });
  const path = join(folder, `${name}-1.json`);
  if (existsSync(path) && readFileSync(path, 'utf8') === text) continue;
  stale = true;
  if (process.argv.includes('--check')) console.error(`${path} is not fresh: run npm run publish-schemas`);
  else writeFileSync(path, text);
}
process.exitCode = stale && process.argv.includes('--check') ? 1 : 0;
