// Type-checks every workspace; exits with 1 when one of them has an error.
import { spawnSync } from 'node:child_process';
import { existsSync, writeFileSync } from 'node:fs';
import { dirname, join, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';

const root = resolve(dirname(fileURLToPath(import.meta.url)), '..');
// Next writes this file at its first build; the check must not depend on one.
const nextEnv = join(root, 'web/next-env.d.ts');
if (!existsSync(nextEnv)) writeFileSync(nextEnv, '/// <reference types="next" />\n');
let failed = false;
for (const project of ['core', 'store', 'gauges', 'bin', 'web']) {
  const { status } = spawnSync(process.execPath, [join(root, 'node_modules/typescript/bin/tsc'), '-p', project], {
    cwd: root,
    stdio: 'inherit',
  });
  failed ||= status !== 0;
}
process.exitCode = failed ? 1 : 0;
