// Type-checks every workspace as one program: each file is read and checked once, however many workspaces use it.
import { spawnSync } from 'node:child_process';
import { existsSync, writeFileSync } from 'node:fs';
import { dirname, join, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';

const root = resolve(dirname(fileURLToPath(import.meta.url)), '..');
// Next writes this file at its first build; the check must not depend on one.
const nextEnv = join(root, 'web/next-env.d.ts');
if (!existsSync(nextEnv)) writeFileSync(nextEnv, '/// <reference types="next" />\n');
const tsc = join(root, 'node_modules/typescript/bin/tsc');
const { status } = spawnSync(process.execPath, [tsc, '-p', 'tsconfig.check.json'], { cwd: root, stdio: 'inherit' });
process.exitCode = status ?? 1;
