import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, statfsSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { isGenerated } from '../../scripts/schemaDigest.mjs';
import { root } from './paths.mjs';
import { Plain, run } from './run.mjs';

const isRoot = process.getuid?.() === 0;

/** Free room on the disk of a folder, bytes. */
export function freeBytes(folder) {
  const { bavail, bsize } = statfsSync(folder);
  return bavail * bsize;
}

const lockDigest = () =>
  createHash('sha256')
    .update(readFileSync(join(root, 'package-lock.json')))
    .digest('hex');
const lockStamp = join(root, 'node_modules/.holotonos-lock');

/** Are the Node packages there that the lockfile names? */
export const hasNodePackages = (lock = lockDigest()) =>
  existsSync(lockStamp) && readFileSync(lockStamp, 'utf8') === lock;

/**
 * Installs with what this machine has kept of the packages, unasked; the lockfile says what they must be. Where that is older
 * than the lockfile, or broken, everything is asked for.
 *
 * @param install installs the packages, with these flags too; throws where it cannot
 */
export function installKept(install) {
  try {
    install('--prefer-offline');
  } catch {
    install();
  }
}

/** Installs the Node packages that the lockfile names, unless they are there. */
export function ensureNodePackages(say) {
  const lock = lockDigest();
  if (hasNodePackages(lock)) return;
  say('Installing the Node packages (a minute or two) …');
  installKept((...flags) =>
    run('npm', ['ci', '--no-audit', '--no-fund', ...flags], {
      cwd: root,
      failure: 'The Node packages could not be installed. Is the network there?',
    }),
  );
  writeFileSync(lockStamp, lock);
}

/** Compiles the schemas when they have changed. Cheap when they have not. */
export function ensureGenerated() {
  if (isGenerated()) return;
  run(process.execPath, [join(root, 'scripts/generate-validators.mjs')], {
    cwd: root,
    failure: 'The schemas could not be compiled',
  });
}

const clusterConf = '/etc/postgresql-common/createcluster.d/holotonos.conf';

/** Keeps Debian's package from starting a cluster of its own that nobody asked for. */
export function noClusterOfDebian() {
  mkdirSync(dirname(clusterConf), { recursive: true });
  if (!existsSync(clusterConf)) writeFileSync(clusterConf, 'create_main_cluster = false\n');
}

/** What an administrator has to type where packages are missing, line by line. */
export const installCommands = (names) => [
  ...(names.includes('postgresql')
    ? [`sudo mkdir -p ${dirname(clusterConf)}`, `echo "create_main_cluster = false" | sudo tee ${clusterConf}`]
    : []),
  'sudo apt-get update',
  `sudo apt-get install --no-install-recommends ${names.join(' ')}`,
];

/** May this user install Debian's packages here? */
export const mayInstall = () => isRoot && existsSync('/usr/bin/apt-get');

/** Installs a Debian package when `isThere` says that it is missing. */
export function ensureDebianPackage(name, isThere, say) {
  if (isThere()) return;
  const commands = installCommands([name])
    .map((line) => `  ${line}`)
    .join('\n');
  if (!mayInstall())
    throw new Plain(
      `${name} is not installed, and only an administrator of a Debian system may install it:\n${commands}`,
    );
  say(`Installing ${name} from Debian’s packages …`);
  const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' };
  const failure = `${name} could not be installed. Try by hand:\n${commands}\n`;
  run('apt-get', ['update', '-q'], { env, failure });
  run('apt-get', ['install', '-y', '-q', '--no-install-recommends', name], { env, failure });
  if (!isThere()) throw new Plain(`${name} was installed but its programs are not where they are expected.`);
}
