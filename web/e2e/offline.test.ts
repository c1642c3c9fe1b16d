import { afterAll, beforeAll, expect, jest, test } from '@jest/globals';
import type { StockState } from '@holotonos/core';
import type { Page } from 'puppeteer-core';
import { axeProblems, entriesOf, fill, seeText, startPage, startServer, until, type App } from './app';

jest.setTimeout(240_000);

let app: App;
let page: Page;
let complaints: string[];
const measuring = '/jobs/LL-201/measure?group=pad&part=low-c';
const port = () => Number(new URL(app.address).port);
beforeAll(async () => {
  ({ app, page, complaints } = await startPage());
  await page.setBypassServiceWorker(false);
  await page.goto(`${app.address}${measuring}`);
  await page.evaluate(() => navigator.serviceWorker.ready);
});
afterAll(() => app.close());

const readings = async () =>
  (await entriesOf(app.address, 'LL-201')).flatMap(({ kind, body }) => (kind === 'reading' ? [body.typed] : []));
const type = async (figure: string) => {
  await until(page, () => document.activeElement?.matches('input[data-figure]'));
  await page.keyboard.type(figure);
  await page.keyboard.press('Enter');
};
const stop = async () => {
  app.process.kill();
  await new Promise((done) => app.process.once('exit', done));
};

test('a reload without a server shows the job as it was left, with what is not yet sent; then it is sent', async () => {
  // A page is kept when it is opened under the keeper’s eyes.
  await page.goto(`${app.address}/jobs/LL-201/plan`);
  await seeText(page, 'Put the keys back');
  await page.goto(`${app.address}${measuring}`);
  await seeText(page, 'Low C');
  await until(page, async () => {
    const shelf = await caches.open('holotonos-pages-1');
    return (await shelf.keys()).length >= 2;
  });
  const before = (await readings()).length;
  // Acknowledged after the page was made: what is kept of the page does not hold it.
  await type('0.011');
  await until(page, () => !document.body.innerText.includes('Writing …'));
  await until(
    page,
    async (wanted) => {
      const answer = (await (await fetch('/api/v1/jobs/LL-201/entries')).json()) as { entries: { kind: string }[] };
      return answer.entries.filter(({ kind }) => kind === 'reading').length === wanted;
    },
    before + 1,
  );

  await stop();
  await type('0.012');
  await seeText(page, 'The server does not answer: 1 entry waits here and will be sent.');
  await page.reload();
  await seeText(page, '1 entry waits here and will be sent.');
  await seeText(page, 'This page was kept on');
  // Each of the two was the second at its place: the one the server had taken, and the one it has not.
  await until(page, () => document.querySelector('.readings')?.textContent?.match(/\(2 readings\)/g)?.length === 2);
  // It goes on: the hands need not wait for the server.
  await type('0.013');
  await seeText(page, '2 entries wait here');
  // Another page of the job that was open is there too, and one that was not says so.
  await page.goto(`${app.address}/jobs/LL-201/plan`);
  await seeText(page, 'Put the keys back');
  await page.goto(`${app.address}/jobs/LL-202/record`);
  await seeText(page, 'This page was not kept in this browser.');

  await page.goto(`${app.address}${measuring}`);
  app.process = (await startServer(app.database.webUrl, { port: port() })).process;
  await until(page, () => !document.body.innerText.includes('does not answer'));
  await until(
    page,
    async (wanted) => {
      const answer = (await (await fetch('/api/v1/jobs/LL-201/entries')).json()) as { entries: { kind: string }[] };
      return answer.entries.filter(({ kind }) => kind === 'reading').length === wanted;
    },
    before + 3,
  );
  expect((await readings()).slice(before)).toEqual(['0.011', '0.012', '0.013']);
  expect(complaints).toEqual([]);
});

test('what is taken from the drawers meanwhile counts at once, waits as well, and is sent from whichever page is open', async () => {
  const drawer = async () => {
    const answer = (await (await fetch(`${app.address}/api/v1/stock`)).json()) as { stock: StockState };
    return answer.stock.items.find(({ id }) => id === 'pad-17-5-3-4-6-pale-skin')?.count ?? NaN;
  };
  const there = await drawer();
  await page.goto(`${app.address}/stock`);
  await fill(page, 'Find in the drawers', 'pierced');
  await until(page, () => document.querySelectorAll('.drawer-list button.plain').length === 2);
  await page.focus('.drawer-field input');
  await page.keyboard.press('ArrowDown');
  await until(page, () => document.querySelector('.drawer-here label')?.textContent?.startsWith('Pad 17.5 mm'));
  // The forms a page loads last are there: an earlier entry asked for them.
  await page.keyboard.type('-1');
  await page.keyboard.press('Enter');
  await seeText(page, '1 taken.');
  await stop();
  await page.keyboard.type('-2');
  await page.keyboard.press('Enter');
  await seeText(page, '2 taken.');
  await seeText(page, 'The server does not answer: 1 entry of the drawers waits here and will be sent.');
  await until(
    page,
    (left) =>
      document.querySelector('.drawer-here')?.textContent?.match(/There (?:are|is) (\d+)/)?.[1] === String(left),
    there - 3,
  );
  expect(await axeProblems(page)).toEqual([]);

  app.process = (await startServer(app.database.webUrl, { port: port() })).process;
  await page.goto(`${app.address}/week`);
  await until(
    page,
    async (left) => {
      const answer = (await (await fetch('/api/v1/stock')).json()) as { stock: StockState };
      return answer.stock.items.find(({ id }) => id === 'pad-17-5-3-4-6-pale-skin')?.count === left;
    },
    there - 3,
  );
  await until(page, () => !document.body.innerText.includes('waits here'));
  expect(complaints).toEqual([]);
});
