import { afterAll, beforeAll, describe, expect, jest, test } from '@jest/globals';
import { rmSync } from 'node:fs';
import { once } from 'node:events';
import type { ChildProcess } from 'node:child_process';
import { migrateDatabase, openStore } from '@holotonos/store';
import pg from 'pg';
import type { Browser, Page } from 'puppeteer-core';
import { cluster } from '../../bin/lib/postgres.mjs';
import { migrations } from '../../store/tests/database';
import { choose, fill, freePort, openTicket, seeText, send, startBrowser, startServer, until } from './app';

jest.setTimeout(240_000);

/** A cluster of its own: the one the other tests share must not be killed. */
const server = cluster('fault-postgres', { throwAway: true, durable: true });
const ticket = 'LL-320';
let url: string;
let port: number;
let web: ChildProcess;
let browser: Browser;
let profile: string;
let page: Page;

beforeAll(async () => {
  const address = await server.start();
  const client = new pg.Client({ connectionString: `${address}/postgres` });
  await client.connect();
  await client.query('create database faults');
  await client.end();
  url = `${address}/faults`;
  await migrateDatabase(url, migrations);
  port = await freePort();
  web = (await startServer(url, { port })).process;
  await openTicket(`http://127.0.0.1:${port}`, ticket);
  ({ browser, profile } = await startBrowser());
  page = await browser.newPage();
  await page.setViewport({ width: 1280, height: 800 });
});
afterAll(async () => {
  await browser.close();
  web.kill();
  server.destroy();
  rmSync(profile, { recursive: true, force: true });
});

const address = () => `http://127.0.0.1:${port}`;
const stored = async (): Promise<{ id: string; kind: string; body: { value?: number } }[]> => {
  const store = openStore(url, 1);
  try {
    const { rows } = await store.db.execute<{ id: string; kind: string; body: { value?: number } }>(
      'select id, kind, body from entries order by seq',
    );
    return rows;
  } finally {
    await store.close();
  }
};
/** Entries the browser keeps because nobody has acknowledged them. */
const kept = () =>
  page.evaluate(
    () =>
      new Promise<{ entry: { id: string; body: { value?: number } } }[]>((resolve, reject) => {
        const opening = indexedDB.open('holotonos');
        opening.onerror = () => reject(new Error('the outbox cannot be opened'));
        opening.onsuccess = () => {
          const asking = opening.result.transaction('outbox').objectStore('outbox').getAll();
          asking.onsuccess = () => {
            opening.result.close();
            resolve(asking.result as { entry: { id: string; body: { value?: number } } }[]);
          };
        };
      }),
  );
const ready = () => until(page, () => document.activeElement?.matches('input[data-figure]'));
const type = async (...values: string[]) => {
  for (const value of values) {
    await page.keyboard.type(value);
    await page.keyboard.press('Enter');
  }
};
const settled = async () => {
  for (let tries = 0; tries < 300; tries += 1) {
    if ((await kept()).length === 0) return;
    await new Promise((wait) => setTimeout(wait, 100));
  }
  throw new Error('the outbox did not empty');
};
const values = async () => (await stored()).filter(({ kind }) => kind === 'reading').map(({ body }) => body.value);
const onlyOnce = async () => {
  const ids = (await stored()).map(({ id }) => id);
  expect(new Set(ids).size).toBe(ids.length);
};

describe('no reading is lost', () => {
  test('the web server killed in mid-round: what is read waits, and is sent once when it is back', async () => {
    await page.goto(`${address()}/jobs/${ticket}/round`);
    await seeText(page, 'A new round');
    await fill(page, 'At the bench', 'Perrin Oake');
    await choose(page, 'select[id$="-part"]', 'e');
    await page.evaluate(() =>
      [...document.querySelectorAll('button')].find((each) => each.textContent === 'Start the round')?.click(),
    );
    await ready();
    await type('0.01', '0.02');
    await settled();
    web.kill('SIGKILL');
    await once(web, 'exit');
    await type('0.03', '0.04');
    await seeText(page, 'The server does not answer: 2 entries wait here');
    expect((await kept()).map(({ entry }) => entry.body.value)).toEqual([0.03, 0.04]);
    expect(await values()).toEqual([0.01, 0.02]);
    web = (await startServer(url, { port })).process;
    await settled();
    expect(await values()).toEqual([0.01, 0.02, 0.03, 0.04]);
    await onlyOnce();
  });

  test('PostgreSQL killed with -9 in mid-round: the same', async () => {
    await server.crash();
    await type('0.05', '0.06');
    await seeText(page, 'entries wait here');
    expect((await kept()).map(({ entry }) => entry.body.value)).toEqual([0.05, 0.06]);
    await server.start();
    await settled();
    expect(await values()).toEqual([0.01, 0.02, 0.03, 0.04, 0.05, 0.06]);
    await onlyOnce();
  });

  test('the page reloaded while nothing answers: what waited is still there, and goes when it can', async () => {
    web.kill('SIGKILL');
    await once(web, 'exit');
    await type('0.07');
    await seeText(page, '1 entry waits here');
    await page.reload().catch(() => undefined);
    web = (await startServer(url, { port })).process;
    await page.goto(`${address()}/jobs/${ticket}/round`);
    await seeText(page, 'Rounds under way');
    await settled();
    expect(await values()).toEqual([0.01, 0.02, 0.03, 0.04, 0.05, 0.06, 0.07]);
    await onlyOnce();
  });

  test('an answer that is lost: the entry is sent again and stands once', async () => {
    await page.goto(`${address()}/jobs/${ticket}/measure?group=pad&part=g`);
    await ready();
    await page.setRequestInterception(true);
    let lost = 0;
    page.on('request', (request) => {
      if (request.method() !== 'POST' || !request.url().endsWith('/entries') || lost > 0)
        return void request.continue();
      lost += 1;
      // The server gets it and writes it; the browser never hears so.
      void send(request.url(), request.postData() ?? '').then(() => request.abort());
    });
    await type('0.08');
    await settled();
    expect(lost).toBe(1);
    expect((await values()).filter((value) => value === 0.08)).toHaveLength(1);
    await onlyOnce();
  });
});
