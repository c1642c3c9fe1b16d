import { afterAll, beforeAll, expect, jest, test } from '@jest/globals';
import type { Page } from 'puppeteer-core';
import { startPage, until, type App } from './app';

jest.setTimeout(240_000);

let app: App;
let page: Page;
beforeAll(async () => {
  ({ app, page } = await startPage());
});
afterAll(() => app.close());

const sizes = [
  [1280, 800],
  [1024, 768],
  [768, 1024],
  [390, 844],
] as const;

/**
 * What a hand or an eye cannot reach in the page as it stands: controls that lie under something else once they are gone
 * to by key, what reaches beyond the side of the screen, words that are cut without their whole being said.
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
  return [...new Set(faults)];
};

test.each([
  '/',
  '/week',
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
  '/jobs/LL-201/round',
  '/jobs/LL-201/findings',
  '/jobs/LL-201/pads',
  '/jobs/LL-201/regulation',
  '/jobs/LL-201/sound',
  '/jobs/LL-201/plan',
  '/jobs/LL-201/card',
  '/jobs/LL-201/estimate',
  '/jobs/LL-201/record',
  '/jobs/LL-201/instrument',
])('%s: nothing is covered or cut, on a desk, a tablet lying and standing, a phone', async (path) => {
  await page.goto(`${app.address}${path}`);
  await page.waitForSelector('#main');
  await until(page, () => !document.querySelector('[aria-busy=true]'));
  const found: string[] = [];
  for (const [width, height] of sizes) {
    await page.setViewport({ width, height });
    await page.evaluate(() => new Promise((next) => requestAnimationFrame(() => requestAnimationFrame(next))));
    found.push(...(await page.evaluate(unreachable)).map((fault) => `${width}: ${fault}`));
    const most = await page.evaluate(() => document.documentElement.scrollWidth - innerWidth);
    if (most > 1) found.push(`${width}: the page is ${most} px wider than the screen`);
  }
  expect(found).toEqual([]);
});

test('the work has room: head, map and readout leave it 560 of 800 px, 500 of 768', async () => {
  const roomAt = async (width: number, height: number, path: string) => {
    await page.setViewport({ width, height });
    await page.goto(`${app.address}${path}`);
    await page.waitForSelector('.band-strip');
    return page.evaluate(() => {
      const height = (query: string) => document.querySelector<HTMLElement>(query)?.offsetHeight ?? 0;
      return innerHeight - height('.band-strip') - height('.band-readout');
    });
  };
  for (const path of ['', '/survey', '/measure?group=pad&part=e', '/plan', '/findings', '/sound', '/record'])
    for (const [width, height, least] of [
      [1280, 800, 560],
      [1024, 768, 500],
    ] as const) {
      const room = await roomAt(width, height, `/jobs/LL-201${path}`);
      expect([path, width, room >= least ? 'room' : room]).toEqual([path, width, 'room']);
    }
});
