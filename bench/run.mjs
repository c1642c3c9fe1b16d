#!/usr/bin/env node
// Measures what the project promises and prints it beside its target. Ratios and medians, not a test.
// node bench/run.mjs [core|page]
import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { register } from 'tsx/esm/api';
import { root } from '../bin/lib/paths.mjs';

register();
const { emptyJobState, foldEntries, foldJob, runSolver } = await import('@holotonos/core');

const what = process.argv[2] ?? 'all';
const median = (values) => [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)];
const time = (work) => {
  const start = performance.now();
  work();
  return performance.now() - start;
};
const report = (name, value, unit, target) =>
  console.log(`${name.padEnd(46)} ${value.toFixed(value < 10 ? 2 : 0).padStart(9)} ${unit.padEnd(5)} target ${target}`);

/** A logbook of n entries: readings over 24 pads, now and then a step that disturbs them and a strike. */
function logbook(n) {
  const gauge = { id: 'g', name: 'g', resolution: 0.01, maxPermissibleError: 0.004 };
  const id = (i) => `00000000-0000-4000-8000-${String(i).padStart(12, '0')}`;
  return Array.from({ length: n }, (_, i) => {
    const seq = i + 1;
    const envelope = {
      id: id(seq),
      seq,
      author: 'x',
      benchTime: '2026-11-23T09:00:00.000Z',
      receivedAt: '2026-11-23T09:00:00.000Z',
    };
    if (i === 0)
      return {
        ...envelope,
        kind: 'intake',
        body: {
          ticket: 'B',
          owner: 'o',
          instrumentType: 'alto-saxophone',
          family: 'saxophone',
          practice: 'stage',
          scope: 'overhaul',
          unit: 'mm',
        },
      };
    if (i % 250 === 0)
      return {
        ...envelope,
        kind: 'operation-done',
        body: { operation: `o${i}`, title: 't', minutes: 5, disturbs: ['pad:*'], cures: [] },
      };
    if (i % 97 === 0) return { ...envelope, kind: 'strike', body: { entry: id(seq - 3) } };
    return {
      ...envelope,
      kind: 'reading',
      body: {
        point: { group: 'pad', part: `p${i % 24}`, measure: 'gap', clock: (i % 8) * 45 },
        value: 0.01,
        typed: '0.01',
        gauge,
      },
    };
  });
}

function benchCore() {
  const rows = [1000, 10_000, 20_000].map((n) => {
    const entries = logbook(n);
    foldJob(entries);
    return { n, ms: median(Array.from({ length: 9 }, () => time(() => foldJob(entries)))), entries };
  });
  for (const { n, ms } of rows) report(`fold of ${n} entries`, ms, 'ms', n === 10_000 ? '≤ 50' : '–');
  report('  growth from 10 000 to 20 000 entries', rows[2].ms / rows[1].ms, '×', 'near 2');
  const state = foldJob(rows[1].entries);
  const one = { ...rows[1].entries[5], id: '11111111-0000-4000-8000-000000000000', seq: 10_001 };
  report(
    'one more entry onto 10 000',
    median(Array.from({ length: 50 }, () => time(() => foldEntries(state, [one])))),
    'ms',
    '–',
  );
  if (foldEntries(emptyJobState, rows[0].entries).seq !== 1000) throw new Error('the fold lost entries');

  const questions = {
    conformity: {
      readings: [9.02, 9.05, 9.03],
      gauge: { resolution: 0.01, maxPermissibleError: 0.02 },
      limits: { lower: 8.95, upper: 9.1 },
    },
    rim: {
      heights: [0.02, 0.03, 0.05, 0.02, -0.04, -0.05, -0.01, 0].map((height, i) => ({ clock: i * 45, height })),
      diameters: [0, 60, 120].map((clock, i) => ({ clock, diameter: 24 + i / 10 })),
      limits: { flatness: 0.05, tilt: 0.15, ovality: 0.2 },
    },
    seat: {
      gaps: [0.12, 0.1, 0.05, 0.01, 0, 0, 0.04, 0.09].map((gap, i) => ({ clock: i * 45, gap })),
      padDiameter: 31,
      axisDistance: 27.5,
      limits: { gap: 0.03 },
      shims: [0.03, 0.05, 0.08],
    },
  };
  for (const [name, question] of Object.entries(questions)) {
    const n = 20_000;
    const run = () => {
      for (let i = 0; i < n; i += 1) runSolver(name, question);
    };
    run();
    const ms = median(Array.from({ length: 5 }, () => time(run)));
    report(`${name}, validated, one thread`, (1000 * n) / ms, '/s', name === 'conformity' ? '–' : '≥ 20000');
  }
}

async function benchPages() {
  const start = () => spawnSync(process.execPath, [join(root, 'bin/start'), '--port', '4690'], { encoding: 'utf8' });
  const first = start();
  const address = /http\S+/.exec(first.stdout)?.[0];
  if (!address) throw new Error(`bin/start did not come up:\n${first.stdout}${first.stderr}`);
  report('bin/start, second run', time(start) / 1000, 's', '< 10');

  const { default: puppeteer } = await import('puppeteer-core');
  const browser = await puppeteer.launch({
    executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
    args: [
      '--no-sandbox',
      '--disable-gpu',
      '--disable-quic',
      '--no-first-run',
      '--disable-background-networking',
      '--disable-sync',
    ],
  });
  try {
    const page = await browser.newPage();
    await page.setViewport({ width: 1280, height: 800 });
    for (const path of [
      '/',
      '/jobs/LL-201',
      '/jobs/LL-201/measure?group=pad&part=e',
      '/jobs/LL-201/plan',
      '/jobs/LL-201/record',
    ]) {
      const times = [];
      for (let i = 0; i < 6; i += 1) {
        await page.goto('about:blank');
        const from = performance.now();
        await page.goto(`${address}${path}`, { waitUntil: 'load' });
        times.push(performance.now() - from);
      }
      report(`page ready ${path}`, median(times.slice(1)), 'ms', '≤ 1000');
    }
    // From the Enter key to the frame that shows the figure with its verdict, measured inside the page.
    await page.goto(`${address}/jobs/LL-204/measure?group=pad&part=low-f`);
    await page.waitForFunction(() => document.activeElement?.matches('input[data-figure]'));
    const waits = [];
    for (let i = 0; i < 12; i += 1) {
      const typed = (0.011 + i / 1000).toFixed(3);
      await page.keyboard.type(typed);
      await page.evaluate((figure) => {
        window.shown = new Promise((resolve) => {
          document.querySelector('input[data-figure]').addEventListener(
            'keydown',
            () => {
              const from = performance.now();
              const look = () =>
                document.querySelector('[data-testid=last-reading]').textContent.includes(figure)
                  ? requestAnimationFrame(() => resolve(performance.now() - from))
                  : requestAnimationFrame(look);
              look();
            },
            { once: true },
          );
        });
      }, typed);
      await page.keyboard.press('Enter');
      waits.push(await page.evaluate(() => window.shown));
      await page.keyboard.press('ArrowUp');
    }
    report('Enter to figure and verdict on screen', median(waits), 'ms', '≤ 100');
    report('  slowest of twelve', Math.max(...waits), 'ms', '≤ 100');
  } finally {
    await browser.close();
  }
}

if (what !== 'page') benchCore();
if (what !== 'core') await benchPages();
