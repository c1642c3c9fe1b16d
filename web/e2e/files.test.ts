import { afterAll, beforeAll, describe, expect, jest, test } from '@jest/globals';
import type { Page } from 'puppeteer-core';
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { openTicket, press, seeText, send, until, type App } from './app';
import { figureAsked, readingsOf, settled, startMeasuring, typeFigures, unexpected } from './measuring';

jest.setTimeout(180_000);

const ticket = 'LL-314';
let app: App;
let page: Page;
let base = '';
let faults: string[] = [];
beforeAll(async () => {
  ({ app, page, base, faults } = await startMeasuring(ticket));
});
afterAll(() => app.close());

describe('files', () => {
  const header = 'group;part;measure;clock (deg);value (mm);gauge;gauge resolution (mm);gauge max error (mm)';
  const row = (i: number) => `pad;${i % 2 ? 'f' : 'g'};gap;${(i % 8) * 45};0,0${(i % 9) + 1};feeler-film;0,01;0,004`;
  const file = (name: string, rows: number, change = (line: string) => line) => {
    const path = join(app.downloads, name);
    writeFileSync(path, [header, ...Array.from({ length: rows }, (_, i) => row(i))].map(change).join('\r\n'));
    return path;
  };
  const choose = async (path: string) => {
    await page.goto(`${base}/record`);
    const input = (await page.waitForSelector('input[type=file][accept*=csv]')) as never as {
      uploadFile: (path: string) => Promise<void>;
    };
    await settled(page);
    await input.uploadFile(path);
  };

  test('semicolons and decimal commas are recognised and shown before anything is taken', async () => {
    const before = (await readingsOf(app, ticket)).length;
    await choose(file('spain.csv', 40));
    await seeText(page, 'columns parted by semicolon');
    await seeText(page, 'decimals with a comma');
    expect((await readingsOf(app, ticket)).length).toBe(before);
    await press(page, 'Take these readings');
    await seeText(page, '40 readings taken; 0 were here already.');
    expect((await readingsOf(app, ticket)).at(-1)?.body.value).toBeCloseTo(0.04, 9);
  });
  test('a bad row is named by line and column, and nothing is taken', async () => {
    const before = (await readingsOf(app, ticket)).length;
    await choose(file('bad.csv', 40, (line) => line.replace('gap;90;0,03', 'gap;90;wide')));
    await press(page, 'Take these readings');
    await seeText(page, 'line 4, column “value (mm)”: “wide” is not a figure');
    expect((await readingsOf(app, ticket)).length).toBe(before);
  });
  test('a large file shows how far it is and can be stopped; nothing of it stays', async () => {
    const before = await countOf();
    await choose(file('large.csv', 50_000));
    await press(page, 'Take these readings');
    await until(page, () => /(Checking|Writing): \d{4,} rows/.test(document.body.innerText));
    await press(page, 'Stop');
    await seeText(page, 'Stopped as asked');
    await new Promise((wait) => setTimeout(wait, 1500));
    expect(await countOf()).toBe(before);
  });
  test('a job with more entries than a page carries still opens, with all of them', async () => {
    const long = 'LL-315';
    await openTicket(app.address, long);
    const lines = Array.from({ length: 13_000 }, (_, i) => row(i).replaceAll(',', '.').replaceAll(';', ','));
    const csv = [header.replaceAll(';', ','), ...lines].join('\n');
    const taken = await send(`${app.address}/api/v1/jobs/${long}/readings`, csv, { type: 'text/csv' });
    expect(await taken.json()).toEqual({ added: 13_000, known: 0 });
    const html = await (await fetch(`${app.address}/jobs/${long}`)).text();
    expect(html).toContain('6000<!-- --> of <!-- -->13001');
    const asked: string[] = [];
    page.on(
      'request',
      (request) => /entries\?after/.test(request.url()) && asked.push(request.url().split('=')[1] ?? ''),
    );
    await page.goto(`${app.address}/jobs/${long}/measure?group=pad&part=g`);
    await figureAsked(page);
    expect(asked.slice(0, 2)).toEqual(['6000', '11000']);
    await typeFigures(page, '0.03');
    await settled(page);
    const { rows } = await app.database.pool.query<{ n: number }>(
      'select count(*)::int as n from entries join jobs on jobs.id = entries.job_id where jobs.ticket = $1',
      [long],
    );
    expect(rows[0]?.n).toBe(13_002);
  });
  test('the measuring book goes out as a data package and comes into another job', async () => {
    const zip = Buffer.from(await (await fetch(`${base}/book.zip`.replace('/jobs/', '/api/v1/jobs/'))).arrayBuffer());
    await openTicket(app.address, 'LL-311');
    const path = join(app.downloads, 'book.zip');
    writeFileSync(path, zip);
    await page.goto(`${app.address}/jobs/LL-311/record`);
    const input = (await page.waitForSelector('input[type=file][accept*=zip]')) as never as {
      uploadFile: (path: string) => Promise<void>;
    };
    await input.uploadFile(path);
    await seeText(page, 'readings taken; 0 were here already.');
    const csv = async (name: string) => (await fetch(`${app.address}/api/v1/jobs/${name}/readings?group=pad`)).text();
    const plain = (text: string) => text.split('\r\n').map((line) => line.replace(/,("[^"]*"|[^,]*)$/, ''));
    expect(plain(await csv('LL-311'))).toEqual(plain(await csv(ticket)));
  });
  const countOf = async (): Promise<number> => {
    const { rows } = await app.database.pool.query<{ n: string }>(
      `select count(*) as n from entries join jobs on jobs.id = entries.job_id where jobs.ticket = $1`,
      [ticket],
    );
    return Number(rows[0]?.n);
  };
});

test('nothing went wrong in the browser on the way', () => expect(unexpected(faults)).toEqual([]));
