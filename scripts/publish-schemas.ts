/** Writes the published schemas to docs/schemas. `--check` only says whether they are fresh. */
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { publishedSchemas } from '@holotonos/core';
import { format } from 'oxfmt';

const folder = resolve(import.meta.dirname, '../docs/schemas');
let stale = false;
mkdirSync(folder, { recursive: true });
for (const [name, schema] of Object.entries(publishedSchemas)) {
  const path = join(folder, `${name}-1.json`);
  const { code: text, errors } = await format(path, JSON.stringify(schema), { printWidth: 120 });
  if (errors.length > 0) throw new Error(`${name}: ${errors[0]?.message}`);
  if (existsSync(path) && readFileSync(path, 'utf8') === text) continue;
  stale = true;
  if (process.argv.includes('--check')) console.error(`${path} is not fresh: run npm run publish-schemas`);
  else writeFileSync(path, text);
}
process.exitCode = stale && process.argv.includes('--check') ? 1 : 0;
