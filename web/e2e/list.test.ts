import { afterAll, beforeAll, expect, jest, test } from '@jest/globals';
import type { Page } from 'puppeteer-core';
import { axeProblems, openTicket, seeText, startApp, until, type App } from './app';

jest.setTimeout(300_000);

let app: App;
let page: Page;
beforeAll(async () => {
  app = await startApp();
  page = await app.page();
});
afterAll(() => app.close());

const tickets = () => page.$$eval('.ticket .number', (all) => all.map((each) => each.textContent));
test('tickets are found by words, by keyboard alone, and all are a key away again', async () => {
  await page.goto(app.address);
  await seeText(page, 'The bench');
  await page.focus('input[type=search]');
  await page.keyboard.type('oboe brackwater');
  await page.keyboard.press('Enter');
  await seeText(page, '1 ticket fits.');
  expect(await tickets()).toEqual(['LL-202']);
  expect(await page.$eval('input[type=search]', (field) => field.value)).toBe('oboe brackwater');
  expect(await axeProblems(page)).toEqual([]);
  await page.goto(`${app.address}/?find=nobody+at+all`);
  await seeText(page, 'No ticket fits.');
  await page.focus('search p a');
  await page.keyboard.press('Enter');
  await until(page, () => document.querySelectorAll('.ticket').length === 4);
});

test('a long list has pages, and no ticket drops out of it', async () => {
  for (let n = 0; n < 45; n += 1)
    await openTicket(app.address, `MANY-${String(n).padStart(2, '0')}`, { owner: `Owner ${n}` });
  await page.goto(app.address);
  await seeText(page, '1–40 of 49');
  const first = await tickets();
  const later = await page.$('nav[aria-label="Pages of the list"] a');
  await later?.focus();
  await page.keyboard.press('Enter');
  await seeText(page, '41–49 of 49');
  const all = [...first, ...(await tickets())];
  expect(new Set(all).size).toBe(49);
  expect(all).toEqual(expect.arrayContaining(['LL-201', 'MANY-00', 'MANY-44']));
  await page.goto(`${app.address}/?find=owner+44`);
  await seeText(page, '1 ticket fits.');
  expect(await tickets()).toEqual(['MANY-44']);
  // Narrow and small, nothing is cut.
  for (const [width, height] of [
    [1024, 768],
    [390, 844],
  ] as const) {
    await page.setViewport({ width, height });
    await page.goto(app.address);
    await seeText(page, '1–40 of 49');
    expect(await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth)).toBeLessThanOrEqual(0);
  }
});
