#!/usr/bin/env node
// Both commands on a bare Debian: a root made by debootstrap, with nothing in it but this Node and git. Started, started
// again, stopped, moved and started there, as root and as an ordinary user; what an administrator has to type is typed.
//   node bench/bare.mjs bookworm|trixie [--test] [--keep]      as root; needs debootstrap, and Debian's packages in reach
// --test runs bin/test too, as the ordinary user. --keep leaves the root in .data/bare for the next time.
import { spawnSync } from 'node:child_process';
import { copyFileSync, cpSync, existsSync, mkdirSync, rmSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { parseArgs } from 'node:util';
import { root } from '../bin/lib/paths.mjs';
import { freePort } from '../bin/lib/postgres.mjs';
import { run } from '../bin/lib/run.mjs';

const { values, positionals } = parseArgs({
  allowPositionals: true,
  options: { test: { type: 'boolean' }, keep: { type: 'boolean' } },
});
const [suite = 'bookworm'] = positionals;
const bare = join(root, '.data/bare', suite);
const say = (text) => console.log(`${new Date().toISOString().slice(11, 19)}  ${text}`);
/** A command that may fail. */
const tried = (command, args, options = {}) =>
  spawnSync(command, args, { encoding: 'utf8', maxBuffer: 64 << 20, ...options });

const mounts = ['proc', 'sys', 'dev'].map((name) => join(bare, name));
const unmount = () => mounts.forEach((path) => tried('umount', ['--lazy', '--recursive', path]));

if (!existsSync(join(bare, 'usr/bin/git'))) {
  say(`Making a bare ${suite} …`);
  mkdirSync(bare, { recursive: true });
  run('debootstrap', ['--variant=minbase', '--include=ca-certificates,git', suite, bare]);
}
// This Node with its npm, and how packages are reached from here.
const node = dirname(dirname(process.execPath));
rmSync(join(bare, 'opt/node'), { recursive: true, force: true });
mkdirSync(join(bare, 'opt/node/bin'), { recursive: true });
copyFileSync(process.execPath, join(bare, 'opt/node/bin/node'));
cpSync(join(node, 'lib/node_modules/npm'), join(bare, 'opt/node/lib/node_modules/npm'), {
  recursive: true,
  verbatimSymlinks: true,
});
writeFileSync(
  join(bare, 'opt/node/bin/npm'),
  '#!/bin/sh\nexec /opt/node/bin/node /opt/node/lib/node_modules/npm/bin/npm-cli.js "$@"\n',
  { mode: 0o755 },
);
for (const file of ['/etc/resolv.conf', '/etc/hosts']) copyFileSync(file, join(bare, file));
const cert = process.env.NODE_EXTRA_CA_CERTS;
if (cert) copyFileSync(cert, join(bare, 'etc/ssl/certs/ca-certificates.crt'));

for (const path of mounts) run('mount', ['--rbind', path.slice(bare.length), path]);
process.on('exit', unmount);

const env = {
  PATH: '/opt/node/bin:/usr/local/sbin:/usr/local/bin:/usr/sbin:/usr/bin:/sbin:/bin',
  LANG: 'C.UTF-8',
  ...(cert && { NODE_EXTRA_CA_CERTS: '/etc/ssl/certs/ca-certificates.crt' }),
};
const homes = { root: '/root', bench: '/home/bench' };
/** Runs a line in the bare root, as root or as the ordinary user. */
const as = (user, line) =>
  tried('chroot', [`--userspec=${user}:${user}`, bare, '/bin/sh', '-c', line], {
    env: { ...env, HOME: homes[user], USER: user },
  });

run('chroot', [bare, '/bin/sh', '-c', 'id bench 2>/dev/null || useradd --create-home --user-group bench']);
const mirror = join(bare, 'checkout.git');
rmSync(mirror, { recursive: true, force: true });
run('git', ['clone', '--quiet', '--bare', root, mirror]);
// Somebody else's it is, to the ordinary user.
as('root', "git config --system --replace-all safe.directory '*'");

let failed = 0;
const check = (what, ok, shown) => {
  if (!ok) failed += 1;
  say(`${ok ? 'good' : 'FAILED'}  ${what}`);
  if (!ok) console.log(shown.replace(/^/gm, '    '));
};
/** A command, how long it took, and whether it came out as wanted. */
function timed(user, what, line, good) {
  const begun = performance.now();
  const { status, stdout, stderr } = as(user, line);
  const seconds = ((performance.now() - begun) / 1000).toFixed(0);
  const shown = `${stdout}${stderr}`;
  check(`${user}: ${what}, ${seconds} s`, good(status, shown), shown.split('\n').slice(-40).join('\n'));
  return shown;
}
/** Types as an administrator what a refusal has asked for; whoever types it says yes when asked. */
function typeAsTold(refusal) {
  const typed = refusal
    .split('\n')
    .map((line) => line.trim())
    .filter((line) => /^(sudo|echo) /.test(line))
    .map((line) => line.replaceAll('sudo ', '').replace('apt-get install', 'apt-get install --yes'));
  for (const line of typed) as('root', line);
  say(`      typed as root: ${typed.join('; ') || 'nothing'}`);
}
const answers = async (port) =>
  (await fetch(`http://127.0.0.1:${port}/`, { signal: AbortSignal.timeout(10_000) }).catch(() => null))?.status === 200;

for (const user of Object.keys(homes)) {
  const [place, moved] = ['holotonos', 'moved'].map((name) => join(homes[user], name));
  const port = await freePort();
  const start = (at) => `cd ${at} && bin/start --port ${port} < /dev/null`;
  const up = (status, shown) => status === 0 && shown.includes(`:${port}`);
  as(user, `rm -rf ${place} ${moved}; git clone --quiet /checkout.git ${place}`);
  if (user !== 'root') {
    // The first time it may lack what only an administrator installs: it has to say so at once, and what to type.
    as('root', 'apt-get purge -y "postgresql*" > /dev/null 2>&1');
    const refused = timed(
      user,
      'refuses without PostgreSQL, with what to type',
      start(place),
      (status, shown) => Boolean(status) && /apt-get install/.test(shown),
    );
    typeAsTold(refused);
  }
  timed(user, 'first start', start(place), up);
  check(`${user}: the bench answers`, await answers(port), '');
  timed(user, 'started again', start(place), up);
  check(`${user}: the bench answers`, await answers(port), '');
  timed(user, 'stopped', `cd ${place} && bin/start --stop`, (status) => status === 0);
  check(`${user}: nothing answers`, !(await answers(port)), '');
  timed(user, 'moved, and started there', `mv ${place} ${moved}; ${start(moved)}`, up);
  check(`${user}: the bench answers`, await answers(port), '');
  timed(user, 'stopped', `cd ${moved} && bin/start --stop`, (status) => status === 0);
  if (values.test && user !== 'root') {
    const test = `cd ${moved} && bin/test < /dev/null`;
    typeAsTold(
      timed(
        user,
        'bin/test refuses without a browser, with what to type',
        test,
        (status, shown) => Boolean(status) && /apt-get install/.test(shown),
      ),
    );
    const shown = timed(user, 'bin/test', test, (status) => status === 0);
    for (const line of shown.split('\n').filter((text) => /passed, (failed )?\d+/.test(text)))
      console.log(`    ${line}`);
  }
}
unmount();
if (!values.keep) rmSync(bare, { recursive: true, force: true });
say(failed === 0 ? 'All of it came up.' : `${failed} things failed.`);
process.exitCode = failed === 0 ? 0 : 1;
