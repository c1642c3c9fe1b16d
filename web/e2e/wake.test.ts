import { afterAll, beforeAll, expect, jest, test } from '@jest/globals';
import type { HTTPRequest, Page } from 'puppeteer-core';
import { choose, entriesOf, fill, openTicket, openView, press, seeText, send, startPage, until, type App } from './app';
import { readingsOf, settled } from './measuring';

jest.setTimeout(180_000);

let app: App;
let page: Page;
let complaints: string[];
let held: HTTPRequest[] = [];
let holding = false;
beforeAll(async () => {
  ({ app, page, complaints } = await startPage());
  await openTicket(app.address, 'LL-330', { scope: 'overhaul' });
  // What the browser keeps in its memory would never be asked for, and not be held back.
  await page.setCacheEnabled(false);
  await page.setRequestInterception(true);
  page.on('request', (request) => {
    if (holding && request.resourceType() === 'script') held.push(request);
    else void request.continue();
  });
});
afterAll(() => app.close());

/** Opens a page that is drawn and does not run yet; its answer lets it run. */
async function asleep(path: string): Promise<() => Promise<void>> {
  holding = true;
  await page.goto(`${app.address}${path}`, { waitUntil: 'domcontentloaded' });
  const runs = () => Object.keys(document.querySelector('#main') ?? {}).some((key) => key.startsWith('__react'));
  expect(await page.evaluate(runs)).toBe(false);
  return async () => {
    holding = false;
    const all = held;
    held = [];
    await Promise.all(all.map((request) => request.continue()));
  };
}

test('a button pressed before the page runs is pressed once it does, and once', async () => {
  const wake = await asleep('/stock');
  for (const _ of [1, 2]) await press(page, 'Something new');
  expect(await page.$('.stock-side form')).toBeNull();
  await wake();
  await page.waitForSelector('.stock-side form');
});

test('a figure typed before the field is asked for is in the logbook', async () => {
  const wake = await asleep('/jobs/LL-330/measure?group=pad');
  await page.keyboard.type('0.42');
  await page.keyboard.press('Enter');
  expect(await readingsOf(app, 'LL-330')).toEqual([]);
  await wake();
  await until(page, () => document.body.innerText.includes('0.420'));
  await settled(page);
  expect((await readingsOf(app, 'LL-330')).map(({ body }) => body['typed'])).toEqual(['0.42']);
});

test('a form filled in and sent before the page runs is sent whole', async () => {
  const wake = await asleep('/tickets/new');
  await fill(page, 'At the bench', 'Perrin Oake');
  await page.type('input[name=owner]', 'The bargees’ choir');
  await page.type('input[name=ticket]', 'LL-331');
  await choose(page, 'select[name=scope]', 'repair');
  await page.click('form button[type=submit]');
  expect(page.url()).toBe(`${app.address}/tickets/new`);
  await wake();
  await seeText(page, 'LL-331 · Alto saxophone');
  const [intake, ...more] = await entriesOf(app.address, 'LL-331');
  expect(intake).toMatchObject({ author: 'Perrin Oake', body: { owner: 'The bargees’ choir', scope: 'repair' } });
  expect(more).toEqual([]);
});

test('the browser keeps its own keys, and the page gets the others', async () => {
  const wake = await asleep('/jobs/LL-330/measure?group=pad');
  const kept = (key: string) =>
    page.evaluate((pressed) => {
      const event = new KeyboardEvent('keydown', { key: pressed, bubbles: true, cancelable: true });
      return !document.body.dispatchEvent(event);
    }, key);
  expect([await kept('F5'), await kept('Tab'), await kept('Shift')]).toEqual([false, false, false]);
  expect([await kept('7'), await kept('8')]).toEqual([true, true]);
  await wake();
  await until(page, () => document.querySelector<HTMLInputElement>('input[data-figure]')?.value === '78');
});

test('what somebody else writes while a page wakes does not draw it a second time', async () => {
  const wake = await asleep('/jobs/LL-330/plan');
  await page.$eval('.plan-desk', (desk) => desk.setAttribute('data-drawn', 'once'));
  const body = { finding: crypto.randomUUID(), kind: 'rim-warped', part: 'e', severity: 2, status: 'confirmed' };
  const answer = await send(`${app.address}/api/v1/jobs/LL-330/entries`, {
    id: crypto.randomUUID(),
    kind: 'finding',
    body,
    author: 'Perrin Oake',
    benchTime: new Date().toISOString(),
  });
  expect(answer.status).toBe(201);
  await wake();
  await seeText(page, 'Level the rim: E');
  expect(await page.$eval('.plan-desk', (desk) => desk.getAttribute('data-drawn'))).toBe('once');
});

const withKeys = ['survey', 'look', 'measure', 'plan', 'regulation', 'strip', 'sound', 'sound/sheet', 'sound/pitch'];

test('a page gone to from within has its keys before it is seen', async () => {
  await openView(page, `${app.address}/jobs/LL-202`);
  const heard: string[] = [];
  for (const path of withKeys) {
    const hears = await page.evaluate(
      (address) =>
        new Promise<boolean>((done) => {
          // Told of the new page once it stands in the document, before anything of it is painted.
          const watch = new MutationObserver(() => {
            if (location.pathname !== address || !document.querySelector('#main h2, #main [role=listbox]')) return;
            watch.disconnect();
            done(document.activeElement !== document.body);
          });
          watch.observe(document.body, { subtree: true, childList: true });
          (window as unknown as { next: { router: { push: (to: string) => void } } }).next.router.push(address);
        }),
      `/jobs/LL-202/${path}`,
    );
    if (hears) heard.push(path);
  }
  expect(heard).toEqual(withKeys);
});

test('nothing complained', () => {
  expect(complaints).toEqual([]);
});
