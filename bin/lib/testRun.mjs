// Everything that must hold. Checks that do not need each other run side by side, one lane a core.
import { existsSync, readFileSync, rmSync } from 'node:fs';
import { availableParallelism } from 'node:os';
import { join } from 'node:path';
import { ensureBuilt, isBuilt } from './app.mjs';
import { chromiumPackage, findChromium } from './chromium.mjs';
import { ensureDebianPackage, ensureGenerated, ensureNodePackages, hasNodePackages } from './install.mjs';
import { dataDir, root } from './paths.mjs';
import { cluster, programs } from './postgres.mjs';
import { preflight } from './preflight.mjs';
import { Plain, showAtOnce } from './run.mjs';
import { stages } from './stages.mjs';
import { stoppable } from './stoppable.mjs';

const bin = (name) => join(root, 'node_modules/.bin', name);
const nodeOptions = '--experimental-vm-modules --disable-warning=ExperimentalWarning';

/** Zones the clock’s tests are run in: the first lies behind the day of UTC, the last half an hour off everybody. */
const zones = ['America/New_York', 'UTC', 'Asia/Kolkata'];

/** The last hour at which a run of the browser's stories still ends before midnight, on a slow machine too. */
const lastHour = 21;

/**
 * The zone the browser's stories are told in: a day that ends among them would end what holds for a day (cautions that were
 * accepted, what stands under today). What midnight does is tested by the clock's own tests.
 */
export function storyZone(now = new Date(), machine = Intl.DateTimeFormat().resolvedOptions().timeZone) {
  const hourIn = (timeZone) =>
    Number(new Intl.DateTimeFormat('en-GB', { hour: 'numeric', hourCycle: 'h23', timeZone }).format(now));
  return [machine, ...zones].find((zone) => hourIn(zone) <= lastHour) ?? machine;
}

/** Each check by name, in the order they are told. */
export const checks = [
  'lint',
  'format',
  'imports',
  'unused',
  'schemas',
  'core',
  'clock',
  'gauges',
  'web',
  'cli',
  'store',
  'browser',
];

export const help = `bin/test [check …]

Runs the named checks, or all:  ${checks.join(' ')}
Installs what is missing. The last line says how many tests passed and failed.
Told to stop (Ctrl-C, or by a signal) it ends whatever it has begun.`;

/**
 * What is to be run, from the arguments.
 *
 * @throws Plain for a name that is none
 */
export function chosenChecks(args) {
  const strange = args.filter((name) => !checks.includes(name));
  if (strange.length > 0)
    throw new Plain(`There is no check “${strange.join('”, “')}”. There are: ${checks.join(', ')}.`);
  return new Set(args.length > 0 ? args : checks);
}

/** Counts of one Jest report; a suite that could not run, and a run of no test, are failures. */
export function countsOf(report, code) {
  if (!report) return { passed: 0, failed: 1 };
  const { numPassedTests: passed, numFailedTests, numRuntimeErrorTestSuites: broken } = report;
  const failed = numFailedTests + broken;
  return { passed, failed: failed === 0 && (code !== 0 || passed === 0) ? 1 : failed };
}

/** The closing line, true for whatever was run: nothing run is a failure too. */
export function closing(tally, broke) {
  const sum = (key) => tally.reduce((total, row) => total + row[key], 0);
  const passed = sum('passed');
  const failed = sum('failed') + (broke || (passed === 0 && sum('failed') === 0) ? 1 : 0);
  return { line: `${passed} passed, ${failed} failed`, code: failed > 0 ? 1 : 0 };
}

/** Runs tasks in their order, so many at once. */
async function side(tasks, lanes) {
  const queue = [...tasks];
  const lane = async () => {
    for (let next = queue.shift(); next; next = queue.shift()) await next();
  };
  await Promise.all(Array.from({ length: lanes }, lane));
}

/** The build without a window, or where a mirror has none the whole browser: it tells the same stories, more slowly. */
function ensureChromium(say) {
  const isThere = () => Boolean(findChromium());
  try {
    ensureDebianPackage(chromiumPackage, isThere, say);
  } catch (error) {
    say(`${error.message.split('\n')[0]} Trying the whole browser.`);
    ensureDebianPackage('chromium', isThere, say);
  }
}

async function runAll(wants, tally, goOn) {
  const say = stages();
  const needsServer = ['store', 'web', 'cli', 'browser'].some((name) => wants.has(name));
  say(
    preflight({
      builds: wants.has('browser') && (!hasNodePackages() || !isBuilt()),
      debian: {
        ...(needsServer && { postgresql: () => programs() !== null }),
        ...(wants.has('browser') && { [chromiumPackage]: () => Boolean(findChromium()) }),
      },
    }),
  );
  ensureNodePackages(say);
  if (wants.has('browser')) ensureChromium(say);
  ensureGenerated();
  // Once, before the lanes: two projects that begin together would take the piece from under each other. It is built by a
  // package, so it is there only now.
  const { default: buildCore } = await import('../../scripts/jestCore.mjs');
  await buildCore();

  // Told to stop, nothing more is begun, and what was ended on the way is not counted.
  const timed = async (name, work) => {
    goOn();
    const begun = performance.now();
    const counts = await work();
    goOn();
    const seconds = Math.round((performance.now() - begun) / 1000);
    tally.push({ name, ...counts, seconds });
    say(`${name}: ${counts.passed} passed, ${counts.failed} failed, ${seconds} s`);
  };
  /** A check is one test: it passes or it does not. */
  const check = (name, command, args) => () =>
    timed(name, async () => {
      const code = await showAtOnce(command, args, { cwd: root });
      return { passed: code === 0 ? 1 : 0, failed: code === 0 ? 0 : 1 };
    });
  /** A Jest project; counts come from its own report. */
  const jest =
    (name, { env = {}, args = [], project = name } = {}) =>
    () =>
      timed(name, async () => {
        const report = join(dataDir, `jest-${name.replace('/', '-')}.json`);
        rmSync(report, { force: true });
        const code = await showAtOnce(
          bin('jest'),
          ['--selectProjects', project, '--json', `--outputFile=${report}`, '--silent', ...args],
          {
            cwd: root,
            env: { ...process.env, NODE_OPTIONS: nodeOptions, ...env },
            stdio: ['ignore', 'ignore', 'pipe'],
            isDone: () => existsSync(report),
          },
        );
        return countsOf(existsSync(report) ? JSON.parse(readFileSync(report, 'utf8')) : null, code);
      });

  const server = cluster('test-postgres', { throwAway: true });
  try {
    const address = needsServer ? await server.start(say) : '';
    const env = { HOLOTONOS_TEST_SERVER: address, CHROMIUM: findChromium() ?? '' };
    const own = (name, task) => (wants.has(name) ? [task] : []);
    const depcruise = [
      '--config',
      '.dependency-cruiser.cjs',
      'core/src',
      'store/src',
      'gauges/src',
      'web/src',
      'bin/lib',
    ];
    // The long ones first, so that the lanes end together; one worker each, for each lane is a core.
    const single = ['--maxWorkers=1'];
    const lanes = Math.min(2, availableParallelism());
    await side(
      [
        ...own('browser', () => ensureBuilt(say)),
        ...own('core', async () => {
          const { default: buildCoreTests } = await import('../../scripts/jestCoreTests.mjs');
          await buildCoreTests();
          await jest('core', { project: 'core-built', args: single })();
          // Examples are run out of the very files that stand beside them.
          await jest('core/examples', { project: 'core', args: [...single, '--testPathPatterns', 'examples'] })();
        }),
        // Types are checked in the same reading.
        ...own('lint', check('lint', bin('oxlint'), [])),
        ...own('store', jest('store', { env, args: single })),
        ...own('web', jest('web', { env, args: single })),
        ...own('cli', jest('cli', { env, args: single })),
        ...own('gauges', jest('gauges', { args: single })),
        ...own('imports', check('imports', bin('depcruise'), depcruise)),
        // What nobody imports, and packages nobody uses.
        ...own('unused', check('unused', bin('knip'), ['--no-progress'])),
        ...own('format', check('format', bin('oxfmt'), ['--check'])),
        ...own(
          'schemas',
          check('schemas', process.execPath, ['--import', 'tsx', join(root, 'scripts/publish-schemas.ts'), '--check']),
        ),
        ...zones.flatMap((zone) =>
          own('clock', jest(`clock/${zone.split('/').at(-1)}`, { project: 'clock', env: { TZ: zone }, args: single })),
        ),
      ],
      lanes,
    );
    // After the others, for here time is what a page takes. Each file has a server, a database and a browser of its own.
    if (wants.has('browser'))
      await jest('browser', {
        env: { ...env, TZ: storyZone() },
        args: [`--maxWorkers=${lanes}`, `--testSequencer=${join(root, 'scripts/jestLongFirst.mjs')}`],
      })();
  } finally {
    if (needsServer) server.destroy();
  }
}

/** bin/test: resolves to its exit code. */
export async function main(args) {
  if (args.includes('--help') || args.includes('-h')) {
    console.log(help);
    return 0;
  }
  let wants;
  try {
    wants = chosenChecks(args);
  } catch (error) {
    console.error(`${error.message}\n\n${help}`);
    return 2;
  }
  const tally = [];
  let broke = false;
  try {
    await runAll(wants, tally, stoppable());
  } catch (error) {
    broke = true;
    console.error(error instanceof Plain ? error.message : error.stack);
  }
  console.log('\n== Counts');
  tally.sort((a, b) => checks.indexOf(a.name.split('/')[0]) - checks.indexOf(b.name.split('/')[0]));
  for (const { name, passed, failed, seconds } of tally)
    console.log(`${name.padEnd(14)} passed ${passed}, failed ${failed}  (${seconds} s)`);
  const { line, code } = closing(tally, broke);
  console.log(`\n${line}`);
  return code;
}
