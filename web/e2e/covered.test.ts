import { afterAll, beforeAll, expect, jest, test } from '@jest/globals';
import { gzipSync } from 'node:zlib';
import type { Page } from 'puppeteer-core';
import { axeProblems, openTicket, openView, startPage, type App } from './app';

jest.setTimeout(240_000);

/** A word that never ends. */
const long = 'Oberhammerschmiedgasseninstrumentenwerkstattverein';

let app: App;
let page: Page;
beforeAll(async () => {
  ({ app, page } = await startPage());
  await page.evaluateOnNewDocument(tellJumps);
  const words = { owner: long, maker: long, model: long, serial: long, complaint: `${long}${long}${long}` };
  await openTicket(app.address, 'LONG', words);
});
afterAll(() => app.close());

/** Screens, with the height a job's page leaves to the work there. */
const sizes = [
  [1280, 800, 560],
  [1024, 768, 500],
  [768, 1024, 0],
  [390, 844, 0],
] as const;
/** A laptop at 200 %: half as many points either way. */
const zoomed = [640, 400] as const;
/** What hangs on the size of the screen; all else is looked at in both lights, view by view, elsewhere. */
const bySize = {
  type: 'rule',
  values: [
    'target-size',
    'scrollable-region-focusable',
    'nested-interactive',
    'aria-hidden-focus',
    'link-in-text-block',
  ],
};

/**
 * What a hand or an eye cannot reach in the page as it stands: controls that lie under something else once they are gone
 * to by key, what reaches beyond the side of the screen, words that are cut without their whole being said, shapes that
 * were left black.
 */
const unreachable = () => {
  const faults: string[] = [];
  const told = (element: Element) =>
    `${element.tagName.toLowerCase()} “${(element.getAttribute('aria-label') ?? element.textContent ?? '').trim().slice(0, 40)}”`;
  const isShown = (element: Element) => element.checkVisibility({ checkOpacity: true, checkVisibilityCSS: true });
  /** Something that can be moved sideways holds it: what is out of sight can be brought in. */
  const slides = (element: Element) => {
    for (let up = element.parentElement; up; up = up.parentElement)
      if (/auto|scroll/.test(getComputedStyle(up).overflowX) && up.scrollWidth > up.clientWidth) return true;
    return false;
  };
  const isHidden = (element: Element) => {
    const { width, height } = element.getBoundingClientRect();
    return width <= 2 || height <= 2 || element.closest('.visually-hidden, .skip') !== null;
  };
  const controls = document.querySelectorAll<HTMLElement | SVGElement>(
    'a[href], button, input, select, textarea, summary, [tabindex="0"]',
  );
  for (const element of controls) {
    if (!isShown(element) || isHidden(element) || (element as HTMLButtonElement).disabled) continue;
    element.focus();
    const { left, right, top, bottom } = element.getBoundingClientRect();
    if ((left < -1 || right > innerWidth + 1) && !slides(element)) faults.push(`${told(element)} is cut at the side`);
    // What is taller than half the screen need only be begun or gone on with; anything else is in sight by its first line.
    const line = top + Math.min(bottom - top, 44) / 2;
    const y = bottom - top > innerHeight / 2 ? Math.max(line, Math.min(bottom - 22, innerHeight / 2)) : line;
    const x = (left + right) / 2;
    if (x < 0 || x > innerWidth) continue;
    const over = document.elementFromPoint(x, y);
    const label = element.closest('label') ?? document.querySelector(`label[for="${element.id}"]`);
    const isOwn = over && (element.contains(over) || over.contains(element) || label?.contains(over));
    if (!isOwn) faults.push(`${told(element)} lies under ${over ? told(over) : 'the edge of the screen'}`);
  }
  for (const element of document.querySelectorAll<HTMLElement>('#main *, header *')) {
    const own = [...element.childNodes].some((node) => node.nodeType === Node.TEXT_NODE && node.textContent?.trim());
    if (!own || !isShown(element) || isHidden(element)) continue;
    const { overflowX } = getComputedStyle(element);
    const whole = element.closest('[title]') !== null;
    if (/hidden|clip/.test(overflowX) && element.scrollWidth > element.clientWidth + 1 && !whole)
      faults.push(`${told(element)} is cut`);
    const { left, right } = element.getBoundingClientRect();
    if ((right > innerWidth + 1 || left < -1) && !slides(element)) faults.push(`${told(element)} runs off the screen`);
  }
  // Nothing is meant to be black: that is what a shape is filled with which no style speaks of.
  for (const shape of document.querySelectorAll('svg :is(path, rect, circle, ellipse, polygon)')) {
    const { fill } = getComputedStyle(shape);
    if (fill === 'rgb(0, 0, 0)' && isShown(shape) && !shape.closest('defs, clipPath, mask'))
      faults.push(`${shape.tagName}.${shape.getAttribute('class') ?? ''} has no colour of its own`);
  }
  return [...new Set(faults)];
};

/**
 * What is known only after the page, and pushes down what lies below it once: what the shop has seen of a fault, what to
 * turn, what to read before anything goes to a mouth today.
 */
const comesAfter = [
  '/jobs/LL-201/findings',
  '/jobs/LL-201/regulation',
  '/jobs/LL-203/regulation',
  '/jobs/LL-201/sound',
];
interface Jumping {
  jumps: string[];
}
/**
 * A page tells what jumped in it once all of it had been read, while it woke and what it fetches came in: who aims at
 * something then hits something else.
 */
const tellJumps = () => {
  const jumps: string[] = [];
  (window as unknown as Jumping).jumps = jumps;
  interface Shift extends PerformanceEntry {
    hadRecentInput: boolean;
    sources: readonly { node: Node | null; previousRect: DOMRectReadOnly; currentRect: DOMRectReadOnly }[];
  }
  // A page that comes slowly is painted in pieces; the first picture after its end still takes in the last of them.
  let read = Infinity;
  document.addEventListener('DOMContentLoaded', () =>
    requestAnimationFrame(() => requestAnimationFrame((at) => (read = at))),
  );
  new PerformanceObserver((list) => {
    for (const { hadRecentInput, startTime, sources } of list.getEntries() as Shift[]) {
      if (hadRecentInput || startTime < read) continue;
      for (const { node, previousRect, currentRect } of sources) {
        const words = node?.textContent?.trim().slice(0, 40) ?? '';
        const [x, y] = [Math.round(currentRect.x - previousRect.x), Math.round(currentRect.y - previousRect.y)];
        jumps.push(`${node?.nodeName.toLowerCase() ?? 'something'} “${words}” jumps by ${x}, ${y}`);
      }
    }
  }).observe({ type: 'layout-shift', buffered: true });
};

/** What head, map and readout of a job's page leave of the screen, px; null on other pages. */
const roomForWork = () => {
  const bands = ['.band-strip', '.band-readout'].map((query) => document.querySelector<HTMLElement>(query));
  return bands[0] ? bands.reduce((room, band) => room - (band?.offsetHeight ?? 0), innerHeight) : null;
};
/** There the map is what is worked on, and stands open. */
const mapIsTheWork = ['/jobs/LL-201/instrument'];

/** What cannot be reached or read at this size, the page not loaded anew. */
async function faultsAt(width: number, height: number): Promise<string[]> {
  await page.setViewport({ width, height });
  await page.evaluate(() => new Promise((next) => requestAnimationFrame(() => requestAnimationFrame(next))));
  const found = (await page.evaluate(unreachable)).map((fault) => `${width}: ${fault}`);
  const most = await page.evaluate(() => document.documentElement.scrollWidth - innerWidth);
  return most > 1 ? [...found, `${width}: the page is ${most} px wider than the screen`] : found;
}

test.each([
  '/',
  '/week',
  '/week/wall',
  '/tickets/new',
  '/find?q=dent',
  '/stock',
  '/types',
  '/shop',
  '/pieces',
  '/check-ups',
  '/jobs/LL-201',
  '/jobs/LL-203/survey',
  '/jobs/LL-201/strip',
  '/jobs/LL-201/look',
  '/jobs/LL-201/measure?group=pad&part=e',
  '/jobs/LL-201/measure?group=rim&part=e',
  '/jobs/LL-201/measure?group=body-line&part=body',
  '/jobs/LL-201/measure?group=joint',
  '/jobs/LL-201/measure?group=hinge',
  '/jobs/LL-203/measure?group=bore',
  '/jobs/LL-201/round',
  '/jobs/LL-201/findings',
  '/jobs/LL-201/pads',
  '/jobs/LL-201/pads?show=set',
  '/jobs/LL-203/pads?show=before',
  '/jobs/LL-203/pads?show=shims',
  '/jobs/LL-203/pads/springs?part=g-sharp-key',
  '/jobs/LL-204/pads/corks',
  '/jobs/LL-201/regulation',
  '/jobs/LL-203/regulation',
  '/jobs/LL-201/sound',
  '/jobs/LL-201/plan',
  '/jobs/LL-201/card',
  '/jobs/LL-201/estimate',
  '/jobs/LL-201/record',
  '/jobs/LL-201/instrument',
])(
  '%s: nothing is covered or cut, on a desk, a tablet lying and standing, a phone, at 200 %%; nothing jumps, the work has room',
  async (path) => {
    const [[width, height]] = sizes;
    await page.setViewport({ width, height });
    await openView(page, `${app.address}${path}`);
    const found: string[] = [];
    for (const [width, height, least] of sizes) {
      found.push(...(await faultsAt(width, height)));
      // A page that is made narrower moves by right.
      if (width === sizes[0][0] && !comesAfter.includes(path))
        found.push(...(await page.evaluate(() => (window as unknown as Jumping).jumps)));
      const room = await page.evaluate(roomForWork);
      if (room !== null && room < least && !mapIsTheWork.includes(path))
        found.push(`${width}: ${room} px are left to the work`);
      found.push(...(await axeProblems(page, bySize)).map((problem) => `${width}: ${problem}`));
    }
    found.push(...(await faultsAt(...zoomed)));
    expect(found).toEqual([]);
  },
);

test.each([
  '/',
  '/find?q=LONG',
  '/week',
  '/jobs/LONG',
  '/jobs/LONG/plan',
  '/jobs/LONG/record',
  '/jobs/LONG/instrument',
])('%s: words that never end are not lost, at any size', async (path) => {
  await openView(page, `${app.address}${path}`);
  const found: string[] = [];
  for (const [width, height] of [...sizes, zoomed]) found.push(...(await faultsAt(width, height)));
  expect(found).toEqual([]);
});

/** The scripts a page names, kB gzip: no more than today, and less where less is. */
test.each([
  ['/', 175],
  ['/week', 210],
  ['/week/wall', 175],
  ['/stock', 200],
  ['/shop', 205],
  ['/tickets/new', 195],
  ['/find', 175],
  ['/jobs/LL-201', 335],
  ['/jobs/LL-201/measure', 345],
  ['/jobs/LL-201/sound/pitch', 340],
])('the scripts that %s names weigh %d kB at most', async (path, most) => {
  // What the page itself names, whenever it comes: what is asked for while it is drawn may come before it stands or after.
  const sent = await (await fetch(`${app.address}${path}`)).text();
  // What only old browsers take is no weight to a new one.
  const html = sent.replace(/<script[^>]*noModule[^>]*>/gi, '');
  const scripts = new Set(html.match(/static\/chunks\/[^"\\]+?\.js/g));
  let sum = 0;
  for (const script of scripts) {
    const response = await fetch(`${app.address}/_next/${script}`);
    expect(response.status).toBe(200);
    const text = await response.text();
    expect([script, text.startsWith('//# allFunctionsCalledOnLoad\n')]).toEqual([script, true]);
    sum += gzipSync(text).length / 1024;
  }
  expect(sum).toBeGreaterThan(50);
  expect(sum).toBeLessThan(most);
});
