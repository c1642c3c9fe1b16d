import { afterAll, beforeAll, expect, jest, test } from '@jest/globals';
import type { Page } from 'puppeteer-core';
import { axeInBothLights, press, seeText, startPage, until, type App } from './app';

jest.setTimeout(120_000);

let app: App;
let page: Page;
let complaints: string[];
beforeAll(async () => {
  ({ app, page, complaints } = await startPage());
});
afterAll(() => app.close());

const rows = async () => {
  const { rows: found } = await app.database.pool.query<{ entries: string; jobs: string; shop: string }>(
    'select (select count(*) from entries) as entries, (select count(*) from jobs) as jobs, (select count(*) from shop_entries) as shop',
  );
  return found[0];
};
const reads = () => document.querySelector('.readings')?.textContent?.includes('0.050');

test('a ticket to play with takes readings and work, keeps them through a reload, and nothing of it reaches the shop', async () => {
  const before = await rows();
  await page.goto(`${app.address}/pieces`);
  const link = await page.waitForSelector('::-p-text(a ticket to play with)');
  await link?.click();
  await seeText(page, 'A ticket to play with.');
  await page.goto(`${app.address}/jobs/-practice/measure?group=pad&part=e`);
  await until(page, () => document.activeElement?.matches('input[data-figure]'));
  for (const figure of ['0.05', '0.05', '0.00']) {
    await page.keyboard.type(figure);
    await page.keyboard.press('Enter');
  }
  await until(page, reads);
  await until(page, () => !document.body.innerText.includes('Writing …'));
  await page.reload();
  await until(page, reads);
  // The plan knows what it was told, as at any ticket.
  await page.goto(`${app.address}/jobs/-practice/plan`);
  await seeText(page, 'Photograph all sides');
  expect(await axeInBothLights(page, `${app.address}/jobs/-practice`)).toEqual([]);
  expect(await rows()).toEqual(before);

  await Promise.all([page.waitForNavigation(), press(page, 'As it came')]);
  await page.goto(`${app.address}/jobs/-practice/measure?group=pad&part=e`);
  await seeText(page, 'not measured');
  expect(await page.evaluate(reads)).toBe(false);
  expect(complaints).toEqual([]);
});

test('the card of keys names every page of the help, on two pages', async () => {
  const answer = await fetch(`${app.address}/api/v1/keys.pdf`);
  expect(answer.headers.get('content-type')).toBe('application/pdf');
  const pdf = Buffer.from(await answer.arrayBuffer()).toString('latin1');
  expect(pdf.match(/\/Type \/Page\b/g)).toHaveLength(2);
});
