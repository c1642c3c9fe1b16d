// What a start or a test run needs, looked at first: a minute of installing must not end in a missing permission.
import { accessSync, constants, existsSync, mkdirSync, readFileSync } from 'node:fs';
import { freemem } from 'node:os';
import { spawnSync } from 'node:child_process';
import { freeBytes, hasNodePackages, installCommands, mayInstall } from './install.mjs';
import { dataDir, root } from './paths.mjs';
import { Plain } from './run.mjs';

const mega = 1024 ** 2;
/** Seen: packages 900 MB, a build 400 MB, a database with the demo 60 MB. */
const neededDisk = { install: 1600 * mega, run: 300 * mega };
/** Seen: a build takes 930 MB at its peak, a server 250 MB, PostgreSQL 60 MB. */
const neededMemory = { build: 1000 * mega, run: 350 * mega };

/** Memory a new program can have, bytes: free, and what the system would give back. */
function availableMemory() {
  try {
    return Number(/^MemAvailable:\s+(\d+) kB/m.exec(readFileSync('/proc/meminfo', 'utf8'))[1]) * 1024;
  } catch {
    return freemem();
  }
}

const inMega = (bytes) => `${Math.round(bytes / mega)} MB`;

/** What speaks against going on, each with what to do about it. Pure. */
export function preflightProblems({ packages, npm, missing, mayInstall, disk, memory, builds, writable }) {
  const problems = [];
  if (!writable)
    problems.push(`This user may not write in ${root}. Change its owner, or clone into a folder of your own.`);
  if (!packages && !npm)
    problems.push(
      'npm is missing, and is needed once to install the packages:\n  sudo apt-get update\n  sudo apt-get install npm',
    );
  if (missing.length > 0 && !mayInstall) {
    const commands = installCommands(missing)
      .map((line) => `  ${line}`)
      .join('\n');
    problems.push(`${missing.join(' and ')} must be installed by an administrator of this Debian system:\n${commands}`);
  }
  const wantsDisk = packages ? neededDisk.run : neededDisk.install;
  if (disk < wantsDisk)
    problems.push(
      `Only ${inMega(disk)} are free on this disk and about ${inMega(wantsDisk)} are needed. Free some space.`,
    );
  const wantsMemory = builds ? neededMemory.build : neededMemory.run;
  if (memory < wantsMemory)
    problems.push(
      `Only ${inMega(memory)} of memory are free and about ${inMega(wantsMemory)} are needed. End other programs.`,
    );
  return problems;
}

function isWritable(folder) {
  try {
    accessSync(folder, constants.W_OK);
    return true;
  } catch {
    return false;
  }
}

/**
 * Looks at everything that is needed, within a second, and says what was found.
 *
 * @param packages Debian packages that are wanted, each with whether it is there
 * @throws Plain with every problem at once
 */
export function preflight({ builds, debian, more = [] }) {
  const packages = hasNodePackages();
  const missing = Object.keys(debian).filter((name) => !debian[name]());
  const disk = freeBytes(root);
  const problems = preflightProblems({
    packages,
    npm: packages || spawnSync('npm', ['--version']).status === 0,
    missing,
    mayInstall: mayInstall(),
    disk,
    memory: availableMemory(),
    builds,
    writable: isWritable(root) && (!existsSync(dataDir) || isWritable(dataDir)),
  });
  problems.push(...more);
  if (problems.length > 0) throw new Plain(['Before this can go on:', ...problems].join('\n\n'));
  mkdirSync(dataDir, { recursive: true });
  const has = [`Node ${process.versions.node}`, `${Math.round(disk / 1024 ** 3)} GB free`];
  for (const name of missing) has.push(`${name} to be installed`);
  return `Looked at what is needed: ${has.join(', ')}`;
}
