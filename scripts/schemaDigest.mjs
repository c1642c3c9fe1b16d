import { createHash } from 'node:crypto';
import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { dirname, join, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';

const scripts = dirname(fileURLToPath(import.meta.url));
const core = resolve(scripts, '../core/src');
/** Where the compiled validators and the digest of what they were made from lie. */
export const generated = join(core, 'generated');

/** A digest of everything the compiled validators depend on. */
export function schemaDigest() {
  const hash = createHash('sha256').update(readFileSync(join(scripts, 'generate-validators.mjs')));
  for (const file of readdirSync(core, { recursive: true, encoding: 'utf8' }).sort()) {
    if (/(schema|schemas|kind|kinds|engineKinds|vocabulary|units|gauge|shelf\w*)\.ts$/.test(file))
      hash.update(file).update(readFileSync(join(core, file)));
  }
  return hash.digest('hex');
}

/** Are the validators there that these schemas make? */
export function isGenerated(digest = schemaDigest()) {
  const stamp = join(generated, 'stamp.txt');
  return existsSync(stamp) && readFileSync(stamp, 'utf8') === digest;
}
