import { afterAll, beforeAll, expect, jest, test } from '@jest/globals';
import type { Page } from 'puppeteer-core';
import { axeProblems, entriesOf, openTicket, seeText, startApp, type App } from './app';

jest.setTimeout(300_000);

let app: App;
let page: Page;
let base = '';
beforeAll(async () => {
  app = await startApp();
  await openTicket(app.address, 'LOOK-1');
  base = `${app.address}/jobs/LOOK-1`;
  page = await app.page();
});
afterAll(() => app.close());

const ready = () => page.waitForFunction(() => document.activeElement?.classList.contains('survey-console'));
const looks = async () => (await entriesOf(app.address, 'LOOK-1')).filter(({ kind }) => kind === 'tick');
const settled = async (count: number) => {
  for (let tries = 0; (await looks()).length < count && tries < 100; tries += 1)
    await new Promise((done) => setTimeout(done, 100));
  return looks();
};

test('every pad of a saxophone is looked at by keyboard alone, one key each, and what is wrong is offered', async () => {
  await page.goto(`${base}/look?group=pad`);
  await ready();
  const pads = await page.$$eval('.looks-list li', (rows) => rows.length);
  expect(pads).toBeGreaterThan(20);
  const begun = Date.now();
  for (let i = 0; i < pads; i += 1) await page.keyboard.press(i === 4 ? 'l' : i % 3 === 0 ? 'd' : 'n');
  expect(Date.now() - begun).toBeLessThan(10_000);
  await seeText(page, `${pads} of ${pads} looked at`);
  const written = await settled(pads);
  expect(new Set(written.map(({ body }) => body.part)).size).toBe(pads);
  // The one that showed light speaks for a finding; a person confirms it where it is looked at.
  for (let i = 0; i < pads - 5; i += 1) await page.keyboard.press('ArrowUp');
  await seeText(page, 'light shows');
  await seeText(page, 'Pad leaking');
  expect(await axeProblems(page)).toEqual([]);
});

test('the other light, the tablet and the phone', async () => {
  await page.evaluate(() => localStorage.setItem('holotonos-light', 'leak'));
  for (const [width, height] of [
    [1024, 768],
    [390, 844],
  ] as const) {
    await page.setViewport({ width, height });
    await page.goto(`${base}/look?group=joint`);
    await ready();
    expect(await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth)).toBeLessThanOrEqual(0);
    expect(await axeProblems(page)).toEqual([]);
  }
  await page.evaluate(() => localStorage.removeItem('holotonos-light'));
  await page.setViewport({ width: 1280, height: 800 });
});

test('a side, a step back, and what the record says of it', async () => {
  const before = (await looks()).length;
  await page.goto(`${base}/look?group=body-line`);
  await ready();
  for (const key of ['b', '3', 's', 'Backspace', 'h'] as const) await page.keyboard.press(key);
  await settled(before + 3);
  await page.goto(`${base}/record`);
  await seeText(page, 'Looked at, without a figure');
  await seeText(page, 'bowed plainly, toward 90°');
  const csv = await (await fetch(`${app.address}/api/v1/jobs/LOOK-1/looks`)).text();
  expect(csv).toMatch(/bowed-plainly/);
  expect((await fetch(`${app.address}/api/v1/jobs/NO-SUCH/looks`)).status).toBe(404);
});
