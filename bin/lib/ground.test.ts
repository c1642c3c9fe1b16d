import { afterEach, beforeEach, describe, expect, test } from '@jest/globals';
import { spawn, spawnSync, type ChildProcess } from 'node:child_process';
import {
  chmodSync,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  realpathSync,
  renameSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import { isAtLeast, neededNode, nodeProblem } from './checkNode.mjs';
import { installKept } from './install.mjs';
import { placeOf } from './place.mjs';
import { preflightProblems } from './preflight.mjs';
import { endProcesses, environmentOf, leftRunning, processesIn, stampOf } from './processes.mjs';
import { stages } from './stages.mjs';
import { takeLock } from './startLock.mjs';
import { readState, writeState } from './stateFile.mjs';
import { checks, chosenChecks, closing, countsOf, storyZone } from './testRun.mjs';
import { markWhole } from './wholeScripts.mjs';

const root = resolve(import.meta.dirname, '../..');
let folder = '';
let children: ChildProcess[] = [];
beforeEach(() => {
  folder = realpathSync(mkdtempSync(join(tmpdir(), 'holotonos-ground-')));
  children = [];
});
afterEach(() => {
  for (const child of children) child.kill('SIGKILL');
  rmSync(folder, { recursive: true, force: true });
});

/** A process that does nothing, in a folder and with an environment of its own. */
async function sleeper(cwd: string, env: Record<string, string> = {}): Promise<number> {
  const child = spawn(process.execPath, ['-e', 'console.log(1); setInterval(() => {}, 1000)'], {
    cwd,
    env: { ...process.env, NODE_OPTIONS: '', ...env },
    stdio: ['ignore', 'pipe', 'ignore'],
  });
  children.push(child);
  await new Promise((up) => child.stdout?.once('data', up));
  return child.pid ?? 0;
}

describe('what Node is needed', () => {
  test.each([
    ['20.11.0', '20.11.0', true],
    ['v20.11.1', '20.11.0', true],
    ['22.0.0', '20.11.0', true],
    ['20.9.0', '20.11.0', false],
    ['18.19.0', '20.11.0', false],
    ['9.20.30', '20.11.0', false],
  ])('%s is at least %s: %p', (a, b, holds) => expect(isAtLeast(a, b)).toBe(holds));
  test('an old one is named with its place and where a newer one comes from', () => {
    expect(nodeProblem(`v${neededNode}`, '/usr/bin/node')).toBeNull();
    expect(nodeProblem('v20.11.1', '/usr/bin/node')).not.toBeNull();
    const words = nodeProblem('v18.19.0', '/usr/bin/node') ?? '';
    expect(words).toMatch(/20\.12\.0 or newer; \/usr\/bin\/node is Node 18\.19\.0/);
    expect(words).toMatch(/apt-get update && apt-get install nodejs/);
  });
  test('package.json states the same', () => {
    const { engines } = JSON.parse(readFileSync(join(root, 'package.json'), 'utf8')) as { engines: { node: string } };
    expect(`${engines.node.replace('>=', '')}.0`).toBe(neededNode);
  });
  test('what is read before the check has no syntax an old Node stumbles over', () => {
    for (const file of ['bin/start', 'bin/test', 'bin/holotonos', 'bin/lib/checkNode.mjs'])
      expect(readFileSync(join(root, file), 'utf8')).not.toMatch(/\?\.|\?\?|^await |\n *await /);
  });
});

describe('state files', () => {
  test('are written whole, for their owner only, and leave nothing beside them', () => {
    const file = join(folder, 'state.json');
    writeFileSync(file, '{}', { mode: 0o644 });
    writeState(file, { password: 'secret' });
    expect(readState(file)).toEqual({ password: 'secret' });
    expect(statSync(file).mode & 0o777).toBe(0o600);
    expect(readdirSync(folder)).toEqual(['state.json']);
  });
  test.each(['', '{', '{"port": 46', 'null', '[]', '12', '\0'])('%j is as good as missing', (text) => {
    const file = join(folder, 'state.json');
    writeFileSync(file, text);
    expect(readState(file)).toBeNull();
  });
  test('a file that is not there is missing', () => expect(readState(join(folder, 'none'))).toBeNull());
});

describe('whose process is it', () => {
  test('only one that works in the checkout and says what it is', async () => {
    const [here, other] = [join(folder, 'here'), join(folder, 'other')];
    for (const each of [here, other]) mkdirSync(each);
    const ours = await sleeper(here, { HOLOTONOS_PART: 'server', HOLOTONOS_PORT: '4600' });
    await sleeper(here, { HOLOTONOS_PART: 'gauges' });
    await sleeper(here);
    await sleeper(other, { HOLOTONOS_PART: 'server' });
    expect(leftRunning('server', here).map(({ pid }) => pid)).toEqual([ours]);
    expect(environmentOf(ours)).toMatchObject({ HOLOTONOS_PORT: '4600' });
    // A copy of the checkout does not take the original's process for its own.
    expect(leftRunning('server', folder)).toEqual([]);
  });
  test('a checkout that was renamed keeps its processes', async () => {
    const [before, after] = [join(folder, 'before'), join(folder, 'after')];
    mkdirSync(before);
    const ours = await sleeper(before, { HOLOTONOS_PART: 'server' });
    renameSync(before, after);
    expect(leftRunning('server', after).map(({ pid }) => pid)).toEqual([ours]);
  });
  test('ending ends just those, and says whether there were any', async () => {
    const [one, two] = [await sleeper(folder), await sleeper(folder)];
    expect(await endProcesses([one])).toBe(true);
    expect(stampOf(one)).toBeNull();
    expect(processesIn(folder)).toEqual([two]);
    expect(await endProcesses([one])).toBe(false);
  });
  test('one that will not go is ended by force', async () => {
    const child = spawn(
      process.execPath,
      ['-e', "process.on('SIGTERM', () => {}); console.log(1); setInterval(() => {}, 1000)"],
      {
        cwd: folder,
        stdio: ['ignore', 'pipe', 'ignore'],
      },
    );
    children.push(child);
    await new Promise((up) => child.stdout.once('data', up));
    expect(await endProcesses([child.pid ?? 0])).toBe(true);
    expect(stampOf(child.pid ?? 0)).toBeNull();
  }, 30_000);
});

describe('the lock of a start', () => {
  test('holds while its holder lives, and is let go', () => {
    const release = takeLock(folder);
    expect(() => takeLock(folder)).toThrow(/Another bin\/start is at work/);
    release();
    takeLock(folder)();
    expect(readdirSync(folder)).toEqual([]);
  });
  test.each([
    ['a process that has ended', '999999999 1 boot'],
    ['a number that belongs to a stranger by now', `${process.pid} 1 another-boot`],
    ['half-written', '12'],
    ['empty', ''],
    ['rubbish', 'x\0y'],
  ])('%s holds nothing', (_, text) => {
    writeFileSync(join(folder, 'start.lock'), text);
    takeLock(folder)();
    expect(existsSync(join(folder, 'start.lock'))).toBe(false);
  });
});

describe('where the data lie', () => {
  const place = (checkout: string, said: string[] = [], former = join(folder, 'var-tmp')) => {
    mkdirSync(join(checkout, '.data'), { recursive: true });
    return placeOf({
      dataDir: join(checkout, '.data'),
      checkout,
      say: (text) => said.push(text),
      system: join(folder, 'var-lib'),
      former,
      inside: false,
    });
  };
  const checkout = () => join(folder, 'checkout');

  test('in the checkout where the database’s user can come', () => {
    const dataDir = join(folder, '.data');
    expect(placeOf({ dataDir, checkout: folder, inside: true })).toBe(dataDir);
  });
  test('else in a lasting place, the same at every start, for each checkout its own', () => {
    const first = place(checkout());
    expect(first).toMatch(/var-lib\/[0-9a-f]{12}$/);
    expect(place(checkout())).toBe(first);
    expect(place(join(folder, 'second'))).not.toBe(first);
  });
  test('a checkout that moved takes its data with it', () => {
    const first = place(checkout());
    renameSync(checkout(), join(folder, 'elsewhere'));
    const said: string[] = [];
    expect(place(join(folder, 'elsewhere'), said)).toBe(first);
    expect(said.join()).toMatch(/was moved here; its data stay/);
    // Whoever clones to the old path again begins anew.
    expect(place(checkout())).not.toBe(first);
  });
  test('the data of a checkout are found again without its data folder, and by a new clone in its place', () => {
    const first = place(checkout());
    rmSync(checkout(), { recursive: true });
    const said: string[] = [];
    expect(place(checkout(), said)).toBe(first);
    expect(said.join()).toMatch(/earlier checkout in this folder/);
  });
  test('a copy leaves the original its data and gets its own', () => {
    const first = place(checkout());
    spawnSync('cp', ['-a', checkout(), join(folder, 'copy')]);
    const said: string[] = [];
    const second = place(join(folder, 'copy'), said);
    expect(second).not.toBe(first);
    expect(said.join()).toMatch(/copy of .*checkout, which keeps its data/);
    expect(place(checkout())).toBe(first);
    expect(place(join(folder, 'copy'))).toBe(second);
  });
  test('old data among temporary files are moved out of their cleaner’s reach', () => {
    const old = join(folder, 'var-tmp', 'holotonos-0123456789ab');
    mkdirSync(join(old, 'postgres'), { recursive: true });
    writeFileSync(join(old, 'postgres', 'kept'), 'all of it');
    mkdirSync(join(checkout(), '.data'), { recursive: true });
    writeState(join(checkout(), '.data', 'postgres.json'), { folder: join(old, 'postgres'), password: 'p', port: 1 });
    const said: string[] = [];
    const now = place(checkout(), said);
    expect(readFileSync(join(now, 'postgres', 'kept'), 'utf8')).toBe('all of it');
    expect(existsSync(old)).toBe(false);
    expect(said.join()).toMatch(/were moved from/);
  });
  test('a folder that is no folder among temporary files is not believed', () => {
    const old = join(folder, 'var-tmp', 'holotonos-0123456789ab');
    mkdirSync(join(folder, 'var-tmp'), { recursive: true });
    writeFileSync(old, 'planted');
    mkdirSync(join(checkout(), '.data'), { recursive: true });
    writeState(join(checkout(), '.data', 'postgres.json'), { folder: join(old, 'postgres') });
    expect(() => place(checkout())).toThrow(/belongs to somebody else/);
  });
});

describe('what is looked at first', () => {
  const fine = {
    packages: true,
    npm: true,
    missing: [],
    mayInstall: false,
    disk: 50e9,
    memory: 8e9,
    builds: false,
    writable: true,
  };
  test('all is well', () => expect(preflightProblems(fine)).toEqual([]));
  test('every problem is told at once, with what to type', () => {
    const all = preflightProblems({
      ...fine,
      packages: false,
      npm: false,
      missing: ['postgresql', 'chromium'],
      disk: 1e8,
      memory: 1e8,
      builds: true,
      writable: false,
    });
    expect(all).toHaveLength(5);
    const words = all.join('\n');
    expect(words).toMatch(/sudo apt-get update\n\s*sudo apt-get install --no-install-recommends postgresql chromium/);
    // Debian’s package would begin a second cluster that nobody asked for.
    expect(words).toMatch(/create_main_cluster = false/);
    expect(words).toMatch(/Only 95 MB are free on this disk and about 1600 MB/);
    expect(words).toMatch(/Only 95 MB of memory are free and about 1000 MB/);
  });
  test('whoever may install is not stopped by a missing package; a later start needs less room', () => {
    expect(preflightProblems({ ...fine, missing: ['postgresql'], mayInstall: true })).toEqual([]);
    expect(preflightProblems({ ...fine, disk: 1000e6 })).toEqual([]);
    expect(preflightProblems({ ...fine, packages: false, disk: 1000e6 })).toHaveLength(1);
    expect(preflightProblems({ ...fine, memory: 500e6 })).toEqual([]);
    expect(preflightProblems({ ...fine, memory: 500e6, builds: true })).toHaveLength(1);
  });
  test('only what lacks is asked of an administrator', () => {
    const [words = ''] = preflightProblems({ ...fine, missing: ['chromium'] });
    expect(words).toMatch(/install --no-install-recommends chromium$/);
    expect(words).not.toMatch(/cluster/);
  });
});

test('each stage is a line with the seconds since the beginning', () => {
  const lines: string[] = [];
  let now = 1000;
  const say = stages(
    (line) => lines.push(line),
    () => now,
  );
  say('first');
  now += 61_250;
  say('second\nand third');
  expect(lines).toEqual(['   0.0 s  first', '  61.3 s  second', '  61.3 s  and third']);
});

describe('bin/test', () => {
  const run = (...args: string[]) =>
    spawnSync(process.execPath, [join(root, 'bin/test'), ...args], {
      encoding: 'utf8',
      env: { ...process.env, NODE_OPTIONS: '' },
    });
  test('help is help, an unknown name is refused with the names there are', () => {
    expect(run('--help')).toMatchObject({ status: 0, stdout: expect.stringContaining(checks.join(' ')) });
    const { status, stdout, stderr } = run('stor');
    expect([status, stdout]).toEqual([2, '']);
    expect(stderr).toMatch(/There is no check “stor”\. There are: lint, .*store/);
  });
  test('names choose, none chooses all', () => {
    expect([...chosenChecks(['store', 'cli'])]).toEqual(['store', 'cli']);
    expect([...chosenChecks([])]).toEqual(checks);
    expect(() => chosenChecks(['core', 'stor', '--frob'])).toThrow('“stor”, “--frob”');
  });
  test('counts are those of the report; a broken suite and a run of nothing fail', () => {
    const report = { numPassedTests: 5, numFailedTests: 1, numRuntimeErrorTestSuites: 2 };
    expect(countsOf(report, 1)).toEqual({ passed: 5, failed: 3 });
    expect(countsOf({ ...report, numFailedTests: 0, numRuntimeErrorTestSuites: 0 }, 0)).toEqual({
      passed: 5,
      failed: 0,
    });
    expect(countsOf({ numPassedTests: 0, numFailedTests: 0, numRuntimeErrorTestSuites: 0 }, 0)).toEqual({
      passed: 0,
      failed: 1,
    });
    expect(countsOf({ numPassedTests: 5, numFailedTests: 0, numRuntimeErrorTestSuites: 0 }, 1)).toEqual({
      passed: 5,
      failed: 1,
    });
    expect(countsOf(null, 0)).toEqual({ passed: 0, failed: 1 });
  });
  test('the last line sums them', () => {
    expect(
      closing(
        [
          { passed: 3, failed: 0 },
          { passed: 4, failed: 0 },
        ],
        false,
      ),
    ).toEqual({ line: '7 passed, 0 failed', code: 0 });
    expect(closing([{ passed: 3, failed: 2 }], true)).toEqual({ line: '3 passed, 3 failed', code: 1 });
    expect(closing([], false)).toEqual({ line: '0 passed, 1 failed', code: 1 });
  });

  test('tells the stories of the browser in a zone whose day does not end among them', () => {
    const at = (time: string, zone: string) => storyZone(new Date(`2026-11-29T${time}:00Z`), zone);
    expect(at('12:00', 'Europe/Berlin')).toBe('Europe/Berlin');
    expect(at('20:59', 'Europe/Berlin')).toBe('Europe/Berlin');
    expect(at('21:00', 'Europe/Berlin')).toBe('America/New_York');
    expect(at('23:50', 'UTC')).toBe('America/New_York');
    expect(at('00:05', 'UTC')).toBe('UTC');
    // Where New York is at its own midnight, the next zone of the clock’s tests is taken.
    expect(at('03:30', 'America/New_York')).toBe('UTC');
  });
});

test('a folder that others may not enter is told apart', () => {
  const inner = join(folder, 'a', 'b');
  mkdirSync(inner, { recursive: true });
  chmodSync(join(folder, 'a'), 0o700);
  chmodSync(folder, 0o755);
  const said = placeOf({
    dataDir: inner,
    checkout: folder,
    system: join(folder, 'system'),
    former: join(folder, 'none'),
  });
  expect(said).toMatch(/system\/[0-9a-f]{12}$/);
  chmodSync(join(folder, 'a'), 0o755);
  expect(placeOf({ dataDir: inner, checkout: folder })).toBe(inner);
});

test('scripts of the pages are marked as needed whole, once however often they are built, and nothing else is touched', () => {
  const hint = '//# allFunctionsCalledOnLoad\n';
  writeFileSync(join(folder, 'a.js'), 'one()');
  writeFileSync(join(folder, 'b.css'), 'p{}');
  markWhole(folder);
  writeFileSync(join(folder, 'c.js'), '(two)=>3');
  markWhole(folder);
  const texts = ['a.js', 'b.css', 'c.js'].map((name) => readFileSync(join(folder, name), 'utf8'));
  expect(texts).toEqual([`${hint}one()`, 'p{}', `${hint}(two)=>3`]);
});

test('packages come from what was kept; where that is too old all is asked for, and what still fails is said', () => {
  const calls: string[][] = [];
  const install =
    (...fails: boolean[]) =>
    (...flags: string[]) => {
      calls.push(flags);
      if (fails.shift()) throw new Error('no matching version');
    };
  installKept(install());
  expect(calls.splice(0)).toEqual([['--prefer-offline']]);
  installKept(install(true));
  expect(calls.splice(0)).toEqual([['--prefer-offline'], []]);
  expect(() => installKept(install(true, true))).toThrow('no matching version');
});
