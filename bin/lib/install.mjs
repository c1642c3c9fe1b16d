import { createHash } from 'node:crypto';
import { existsSync, readFileSync, statfsSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { root } from './paths.mjs';
import { Plain, run } from './run.mjs';

const isRoot = process.getuid?.() === 0;
const neededBytes = 1.5 * 1024 ** 3;

/** Refuses to begin what a nearly full disk would leave half done. */
export function checkDisk() {
  const { bavail, bsize } = statfsSync(root);
  if (bavail * bsize < neededBytes) {
    throw new Plain(
      `Only ${Math.round((bavail * bsize) / 1024 ** 2)} MB are free on this disk and about 1500 are needed. Free some space and run this again.`,
    );
  }
}

/** Installs the Node packages that the lockfile names, unless they are there. */
export function ensureNodePackages(say) {
  const lock = createHash('sha256')
    .update(readFileSync(join(root, 'package-lock.json')))
    .digest('hex');
  const stamp = join(root, 'node_modules/.holotonos-lock');
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === lock) return;
  checkDisk();
  say('Installing the Node packages (a minute or two) …');
  run('npm', ['ci', '--no-audit', '--no-fund'], {
    cwd: root,
    failure: 'The Node packages could not be installed. Is the network there?',
  });
  writeFileSync(stamp, lock);
}

/** Compiles the schemas when they have changed. Cheap when they have not. */
export function ensureGenerated() {
  run(process.execPath, [join(root, 'scripts/generate-validators.mjs')], {
    cwd: root,
    failure: 'The schemas could not be compiled',
  });
}

/** Installs a Debian package when `isThere` says that it is missing. */
export function ensureDebianPackage(name, isThere, say) {
  if (isThere()) return;
  const command = `apt-get install --no-install-recommends ${name}`;
  if (!isRoot)
    throw new Plain(`${name} is not installed, and only an administrator may install it. Ask for:  sudo ${command}`);
  say(`Installing ${name} from Debian’s packages …`);
  const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' };
  const failure = `${name} could not be installed. Try by hand:  ${command}`;
  run('apt-get', ['update', '-q'], { env, failure });
  run('apt-get', ['install', '-y', '-q', '--no-install-recommends', name], { env, failure });
  if (!isThere()) throw new Plain(`${name} was installed but its programs are not where they are expected.`);
}
