import { afterAll, beforeAll, expect, jest, test } from '@jest/globals';
import { randomUUID } from 'node:crypto';
import type { Page } from 'puppeteer-core';
import { entriesOf, seeText, send, startApp, type App } from './app';

jest.setTimeout(300_000);

let app: App;
let page: Page;
beforeAll(async () => {
  app = await startApp();
  page = await app.page();
});
afterAll(() => app.close());

/** A demo job with everything that was written in it, under another ticket and in another unit. */
async function inUnit(of: string, ticket: string, unit: string): Promise<void> {
  let text = await (await fetch(`${app.address}/api/v1/jobs/${of}/export`)).text();
  for (const { id } of (JSON.parse(text) as { entries: { id: string }[] }).entries)
    text = text.replaceAll(id, randomUUID());
  const document = JSON.parse(text) as { entries: { kind: string; body: object }[] };
  const [intake] = document.entries;
  expect(intake?.kind).toBe('intake');
  Object.assign(intake?.body ?? {}, { ticket, unit });
  const answer = await send(`${app.address}/api/v1/import`, { ...document, ticket });
  expect([answer.status, answer.ok ? '' : await answer.text()]).toEqual([answer.status, '']);
}

const groups = ['body-line', 'bore', 'rim', 'post', 'joint', 'hinge', 'pad', 'link', 'spring'];
const pages = [
  '',
  '/survey',
  '/plan',
  '/findings',
  '/strip',
  '/round',
  '/record',
  '/estimate',
  '/pads?show=before',
  '/pads/springs',
  '/pads/corks',
  '/regulation',
  '/sound',
  ...['holes', 'rods', 'pads', 'sections'].map((list) => `/instrument?list=${list}`),
];

/** What a reader sees or hears of the page, everything folded out. */
const told = () =>
  page.evaluate(() => {
    for (const folded of document.querySelectorAll('details')) folded.open = true;
    const labels = [...document.querySelectorAll('main [aria-label], main [placeholder]')].map(
      (each) => `${each.getAttribute('aria-label') ?? ''} ${each.getAttribute('placeholder') ?? ''}`,
    );
    return [...document.body.innerText.split('\n'), ...labels];
  });

test.each([
  ['LL-201', 'INCH-1', 'in'],
  ['LL-203', 'LL-203', 'thou'],
])('%s, kept as %s in %s, shows no millimetre', async (of, ticket, unit) => {
  if (of !== ticket) await inUnit(of, ticket, unit);
  const foreign: string[] = [];
  // What people wrote in their own words stays as they wrote it.
  const written = JSON.stringify(await entriesOf(app.address, of));
  let own = 0;
  for (const path of [...pages, ...groups.map((group) => `/measure?group=${group}`)]) {
    await page.goto(`${app.address}/jobs/${ticket}${path}`);
    await seeText(page, ticket);
    const lines = await told();
    foreign.push(
      ...lines
        .filter((line) => /\bmm\b/.test(line) && !written.includes(line.split(' · ').at(-1) ?? line))
        .map((line) => `${path}: ${line}`),
    );
    own += lines.filter((line) => new RegExp(`\\d ${unit}\\b`).test(line)).length;
  }
  expect(foreign).toEqual([]);
  expect(own).toBeGreaterThan(5);
});
