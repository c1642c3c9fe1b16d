import { afterAll, beforeAll, describe, expect, jest, test } from '@jest/globals';
import { randomUUID } from 'node:crypto';
import type { Page } from 'puppeteer-core';
import { axeProblems, entriesOf, fill, patience, press, seeText, send, startApp, until, type App } from './app';

jest.setTimeout(300_000);

let app: App;
beforeAll(async () => {
  app = await startApp();
});
afterAll(() => app.close());

const write = async (ticket: string, text: string) => {
  const entry = {
    id: randomUUID(),
    kind: 'note',
    body: { text },
    author: 'Juno Tam',
    benchTime: new Date().toISOString(),
  };
  const response = await send(`${app.address}/api/v1/jobs/${ticket}/entries`, entry);
  expect(response.status).toBe(201);
};
const valuesOf = async (ticket: string) =>
  (await entriesOf(app.address, ticket)).filter(({ kind }) => kind === 'reading').map(({ body }) => body.value);
/** Waits until a reading of this figure stands in the logbook. */
async function stored(ticket: string, value: number): Promise<void> {
  for (const until = Date.now() + patience; Date.now() < until;) {
    if ((await valuesOf(ticket)).includes(value)) return;
    await new Promise((wait) => setTimeout(wait, 100));
  }
  const there = (await entriesOf(app.address, ticket)).slice(-4).map(({ kind, body }) => [kind, body.value]);
  throw new Error(`no reading of ${value} was written to ${ticket}; its last entries: ${JSON.stringify(there)}`);
}
/** Shows the text, also in a tab that lies behind others and is not drawn. */
const hears = (page: Page, text: string) =>
  until(
    page,
    (wanted) => document.body.textContent?.includes(wanted),

    text,
  );

describe('many tabs of one browser', () => {
  test('ten share one event stream, all hear what is written, and the next one leads when the first is closed', async () => {
    const streams: string[] = [];
    const tabs: Page[] = [];
    for (let n = 0; n < 10; n += 1) {
      const tab = await app.page();
      const session = await tab.createCDPSession();
      await session.send('Network.enable');
      session.on('Network.requestWillBeSent', ({ type, request }) => {
        if (type === 'EventSource') streams.push(request.url);
      });
      await tab.goto(`${app.address}/jobs/LL-203${n === 9 ? '/measure?group=pad&part=e' : ''}`);
      tabs.push(tab);
    }
    expect(streams).toEqual([`${app.address}/api/v1/events`]);
    // The last of ten is as alive as the first: it measures.
    const last = tabs[9] as Page;
    await until(last, () => document.activeElement?.matches('input[data-figure]'));
    await last.keyboard.type('0.02');
    await last.keyboard.press('Enter');
    await stored('LL-203', 0.02);
    await write('LL-203', 'Heard in every tab');
    await Promise.all(tabs.slice(0, 9).map((tab) => hears(tab, 'Heard in every tab')));
    await tabs[0]?.close();
    await write('LL-203', 'Heard after the first was closed');
    await Promise.all(tabs.slice(1, 9).map((tab) => hears(tab, 'Heard after the first was closed')));
    expect(streams).toHaveLength(2);
    await Promise.all(tabs.slice(1).map((tab) => tab.close()));
  });
});

describe('an entry the server chokes on', () => {
  test('is set aside and shown, the rest is written, and changed it is taken', async () => {
    const page = await app.page();
    await page.goto(`${app.address}/jobs/LL-204/measure?group=pad&part=low-f`);
    await until(page, () => document.activeElement?.matches('input[data-figure]'));
    await page.setRequestInterception(true);
    let choked = 0;
    page.on('request', (request) => {
      if (request.method() !== 'POST' || !request.url().endsWith('/entries') || choked > 0)
        return void request.continue();
      choked += 1;
      void request.respond({
        status: 500,
        contentType: 'application/json',
        body: JSON.stringify({
          error: 'fault',
          reference: 'abcd1234',
          message: 'Something went wrong here (reference abcd1234).',
        }),
      });
    });
    for (const figure of ['0.03', '0.04']) {
      await page.keyboard.type(figure);
      await page.keyboard.press('Enter');
    }
    await seeText(page, 'One entry was not taken');
    await seeText(page, 'reference abcd1234');
    await stored('LL-204', 0.04);
    expect(await valuesOf('LL-204')).not.toContain(0.03);
    expect(await axeProblems(page)).toEqual([]);
    await page.keyboard.press('`');
    expect(await axeProblems(page)).toEqual([]);
    await page.keyboard.press('`');
    // It is still there after a reload, and can be changed.
    await page.reload();
    await seeText(page, 'One entry was not taken');
    const name = await page.$eval(
      'section[aria-label="Entries not taken"] button',
      (button) => button.getAttribute('aria-label') ?? '',
    );
    await press(page, name);
    await fill(page, 'value', 'much');
    await press(page, 'Send it so');
    await seeText(page, 'value must be a figure');
    await fill(page, 'value', '0.035');
    expect(await axeProblems(page)).toEqual([]);
    await press(page, 'Send it so');
    await until(page, () => !document.body.innerText.includes('was not taken'));
    await stored('LL-204', 0.035);
    await page.close();
  });
});

describe('the bench and the week', () => {
  test('follow what is written elsewhere, without being loaded again', async () => {
    const [bench, week] = [await app.page(), await app.page()];
    await week.goto(`${app.address}/week`);
    await seeText(week, 'The week');
    await bench.goto(`${app.address}/`);
    await seeText(bench, 'The bench');
    // Both hear once their stream is open.
    await new Promise((wait) => setTimeout(wait, 1000));
    const body = {
      ticket: 'LL-777',
      owner: 'The ferry band',
      instrumentType: 'oboe',
      family: 'oboe',
      practice: 'stage',
      scope: 'overhaul',
      unit: 'mm',
    };
    const intake = { id: randomUUID(), kind: 'intake', author: 'Juno Tam', benchTime: new Date().toISOString(), body };
    await send(`${app.address}/api/v1/jobs`, intake);
    await hears(bench, 'LL-777');
    await hears(week, 'LL-777');
    await Promise.all([bench.close(), week.close()]);
  });
});

describe('entries nobody can read', () => {
  test('are shown as such, the job and the bench go on, and they can be struck', async () => {
    await app.database.pool.query(
      `insert into entries (job_id, seq, id, kind, body, author, bench_time)
       select id, (select max(seq) + 1 from entries where job_id = jobs.id), $1, 'spell', '{"text": "abracadabra"}', 'x', now()
       from jobs where ticket = 'LL-202'`,
      [randomUUID()],
    );
    await app.database.pool.query(
      `insert into shop_entries (seq, id, kind, body, author, bench_time) select max(seq) + 1, $1, 'gauge', '[]', 'x', now() from shop_entries`,
      [randomUUID()],
    );
    const page = await app.page();
    await page.goto(`${app.address}/jobs/LL-202`);
    await seeText(page, 'cannot be read any more');
    await seeText(page, 'spell: ');
    expect(await axeProblems(page)).toEqual([]);
    const name = await page.$eval(
      'section[aria-label="Entries that cannot be read"] button',
      (button) => button.getAttribute('aria-label') ?? '',
    );
    await press(page, name);
    await until(page, () => !document.body.innerText.includes('cannot be read any more'));
    await page.goto(`${app.address}/shop`);
    await seeText(page, 'cannot be read any more');
    expect(await axeProblems(page)).toEqual([]);
    await press(page, 'Strike it: gauge');
    await until(page, () => !document.body.innerText.includes('cannot be read any more'));
    await page.goto(`${app.address}/`);
    await seeText(page, 'LL-202');
    await page.close();
  });
});

describe('a browser in another zone', () => {
  test.each(['Pacific/Kiritimati', 'Pacific/Pago_Pago'])(
    '%s shows the shop’s times, the same as the server drew',
    async (zone) => {
      const shop = (await (await fetch(`${app.address}/api/v1/shop`)).json()) as { hours: object };
      const hours = {
        id: randomUUID(),
        kind: 'hours',
        body: { ...shop.hours, timeZone: 'Asia/Kolkata' },
        author: 'Juno Tam',
        benchTime: new Date().toISOString(),
      };
      expect((await send(`${app.address}/api/v1/shop`, hours)).status).toBe(201);
      const page = await app.page();
      const faults: string[] = [];
      page.on('pageerror', (error) => faults.push(String(error)));
      page.on('console', (message) => {
        if (message.type() === 'error') faults.push(message.text());
      });
      const session = await page.createCDPSession();
      await session.send('Emulation.setTimezoneOverride', { timezoneId: zone });
      const entry = {
        id: randomUUID(),
        kind: 'note',
        body: { text: `Late in ${zone}` },
        author: 'Juno Tam',
        benchTime: '2026-11-23T23:30:00.000Z',
      };
      await send(`${app.address}/api/v1/jobs/LL-203/entries`, entry);
      await page.goto(`${app.address}/jobs/LL-203`);
      await seeText(page, `Late in ${zone}`);
      expect(await page.evaluate(() => document.body.innerText)).toMatch(/24 Nov, 05:00/);
      await page.goto(`${app.address}/week`);
      await seeText(page, 'times of Asia/Kolkata');
      expect(faults).toEqual([]);
      await page.close();
    },
  );
});
