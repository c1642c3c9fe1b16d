import { afterAll, beforeAll, expect, jest, test } from '@jest/globals';
import type { Page } from 'puppeteer-core';
import { axeProblems, choose, entriesOf, openTicket, seeText, startApp, until, type App } from './app';
import { doStep, enter, figureAsked, settled } from './measuring';

jest.setTimeout(300_000);

let app: App;
let page: Page;
beforeAll(async () => {
  app = await startApp();
  page = await app.page();
});
afterAll(() => app.close());

/** The table of readings has the last place of the page's tables: those of passes and pushes stand before it. */
const rowsOfPart = 'table.readings:has(tr.here) tbody tr';

/** Reads the rows of a part that a figure is given for, going from one to the next with the arrows. */
async function readRows(url: string, figureOf: (row: string) => string | null): Promise<void> {
  await page.goto(url);
  await figureAsked(page);
  const rows = await page.$$eval(rowsOfPart, (all) =>
    all.map((row) => ({
      words: (row.querySelector('th') as HTMLElement).innerText.trim(),
      here: row.classList.contains('here'),
    })),
  );
  let at = rows.findIndex(({ here }) => here);
  const goTo = async (to: number) => {
    for (; at < to; at += 1) await page.keyboard.press('ArrowDown');
    for (; at > to; at -= 1) await page.keyboard.press('ArrowUp');
  };
  for (const [i, { words }] of rows.entries()) {
    const figure = figureOf(words);
    if (figure === null) continue;
    await goTo(i);
    await page.keyboard.type(figure);
    await page.keyboard.press('Enter');
    await until(
      page,
      (wanted, rows) => document.querySelectorAll(rows)[wanted]?.querySelector('td')?.textContent !== '–',
      i,
      rowsOfPart,
    );
    at = await page.$$eval(rowsOfPart, (all) => all.findIndex((row) => row.classList.contains('here')));
  }
  await settled(page);
}
/** Answers what is suggested here: confirms the finding with these words, leaves the rest. */
async function confirm(title: string): Promise<void> {
  await seeText(page, title);
  const button = await page.evaluateHandle((wanted) => {
    const card = [...document.querySelectorAll('article')].find((each) =>
      each.querySelector('h3')?.textContent?.includes(wanted),
    );
    return [...(card?.querySelectorAll('button') ?? [])].find((each) => each.textContent?.trim() === 'Confirm') ?? null;
  }, title);
  await button.asElement()?.focus();
  await page.keyboard.press('Enter');
  await settled(page);
}
const jobOf = (ticket: string) => `${app.address}/jobs/${ticket}`;
const body = () => page.evaluate(() => document.body.innerText);
const doneSteps = async (ticket: string) =>
  (await entriesOf(app.address, ticket)).flatMap(({ kind, body: said }) =>
    kind === 'operation-done' ? [said.operation] : [],
  );

test('an egged neck: the receiver is trued before the tenon is touched, clicks are taught, the leak has the last word', async () => {
  const ticket = 'NECK-1';
  await openTicket(app.address, ticket, { practice: 'steady' });
  const neck = `${jobOf(ticket)}/measure?group=joint&part=neck-receiver`;
  const joint = (tenon: number, receiver: readonly [number, number]) => (row: string) => {
    const [, side, clock] = /^(tenon|receiver) .*, (\d+)°$/.exec(row) ?? [];
    if (side === undefined) return null;
    return (side === 'tenon' ? tenon : (receiver[clock === '0' ? 0 : 1] ?? 0)).toFixed(3);
  };
  // Means that agree to a hair, and a receiver that is oval by six hundredths.
  await readRows(neck, joint(23.992, [24.03, 23.97]));
  await seeText(page, 'True the receiver round over a plug first');
  expect(await body()).not.toMatch(/Expand at/);
  await confirm('Receiver oval');
  await doStep(page, jobOf(ticket), 'true-receiver:neck-receiver');
  await page.goto(neck);
  await seeText(page, 'Stale since “True the receiver');
  // Round now, and plainly loose: only now the tenon is expanded.
  await readRows(neck, joint(23.95, [24, 24]));
  await seeText(page, 'Expand at the shoulder by');
  await confirm('Joint loose');
  for (const tenon of [23.97, 23.99]) {
    await page.goto(neck);
    await figureAsked(page);
    const clicks = await page.waitForSelector('::-p-aria([name="Clicks of the tool, if it has any"])');
    await clicks?.focus();
    await page.keyboard.type('5');
    await enter(page, 'Log a pass of the expander');
    await settled(page);
    await readRows(neck, joint(tenon, [24, 24]));
  }
  expect(await body()).toMatch(/Expander, one click[\s\S]*0\.004/);
  // The tester alone at the joint: its own loss first, then the joint. A bore gauge cannot tell a hundredth; the air can.
  const air: Record<string, string> = { 'leak baseline': '1', 'leak': '4' };
  await readRows(neck, (row) => air[row] ?? null);
  await seeText(page, 'Leak read at 2.5 kPa, less the baseline');
  expect(await body()).toMatch(/less the baseline\s+3\.00 ± \d\.\d+ mL\/min\s+30\.00 mL\/min\s+within/);
  expect(await page.$$('article h3')).toHaveLength(0);
  expect(await axeProblems(page)).toEqual([]);
  await doStep(page, jobOf(ticket), 'expand-tenon:neck-receiver');
  expect(await doneSteps(ticket)).toEqual(['true-receiver:neck-receiver', 'expand-tenon:neck-receiver']);
  const passes = (await entriesOf(app.address, ticket)).filter(({ kind }) => kind === 'pass');
  expect(passes.map(({ body: said }) => [said.pass, said.amount])).toEqual([
    ['expand', 5],
    ['expand', 5],
  ]);
});

test('a turned bell: front against back at a sound key, pushed past and back, each push with what it left', async () => {
  const ticket = 'BELL-1';
  await openTicket(app.address, ticket, { practice: 'steady' });
  const bell = `${jobOf(ticket)}/measure?group=body-line&part=bell`;
  const gaps = (mark: string | null, front: string, back: string) => (row: string) => {
    if (row.startsWith('mark')) return mark;
    const [, clock] = /^(?:gap under the reference key|key gap|.*key.*?),? ?(\d+)°$/.exec(row) ?? [];
    return clock === '0' ? front : clock === '180' ? back : null;
  };
  await readRows(bell, gaps('1', '0.6', '0.1'));
  await seeText(page, 'the bell is turned');
  await confirm('Bell turned');
  // Only what spans bell and body comes off, the guard with it.
  await page.goto(`${jobOf(ticket)}/plan?step=${encodeURIComponent('strip-some:instrument')}`);
  await seeText(page, 'Off, in this order:');
  const off = /Off, in this order: (.*)\./.exec(await body())?.[1] ?? '';
  expect(off).toMatch(/^Bell key guard, .*Low B key/);
  expect(off).not.toMatch(/High D key/);
  await doStep(page, jobOf(ticket), 'strip-some:instrument');
  const push = async (degrees: string) => {
    await page.goto(bell);
    // What is typed before the page runs is typed into nothing.
    await figureAsked(page);
    const field = await page.waitForSelector('::-p-aria([name="I have turned it by, degrees"])');
    await field?.focus();
    await page.keyboard.type(degrees);
    await page.keyboard.press('Enter');
    await until(page, (input) => (input as HTMLInputElement | null)?.value === '', field);
    await settled(page);
  };
  await push('1.5');
  await readRows(bell, gaps('-0.2', '0.2', '0.3'));
  await push('0.4');
  await readRows(bell, gaps('0', '0.2', '0.2'));
  const told = await page.$$eval('[aria-label="Turning the bell"] tbody tr', (rows) =>
    rows.map((row) => (row as HTMLElement).innerText.replaceAll('\t', ' ')),
  );
  expect(told).toHaveLength(2);
  expect(told[0]).toMatch(/^1\.\d+° 1\.50° −0\.2\d° /);
  expect(told[1]).toMatch(/0\.40° 0\.00° /);
  expect(await body()).not.toMatch(/the bell is turned/);
  expect(await axeProblems(page)).toEqual([]);
  await doStep(page, jobOf(ticket), 'turn-bell:instrument');
  await page.goto(`${jobOf(ticket)}/findings`);
  await seeText(page, 'Bell turned');
  expect(await doneSteps(ticket)).toEqual(['strip-some:instrument', 'turn-bell:instrument']);
  // Another sound key can be the gauge.
  await page.goto(bell);
  await choose(
    page,
    'select[id$="-key"]',
    await page.$eval('select[id$="-key"] option:last-child', (option) => (option as HTMLOptionElement).value),
  );
  await seeText(page, 'key of Low C♯, 0°');
});

test('a deep dent: two pictures of the same side are drawn across each other, by keys too', async () => {
  await page.goto(`${app.address}/jobs/LL-201/findings`);
  const swipe = await page.waitForSelector('.photo-swipe input[type=range]', { visible: true });
  const shown = () => page.$eval('.photo-swipe clipPath rect', (rect) => Number(rect.getAttribute('width')));
  const before = await shown();
  await swipe?.focus();
  for (let press = 0; press < 10; press += 1) await page.keyboard.press('ArrowRight');
  await until(page, (was) => Number(document.querySelector('.photo-swipe rect')?.getAttribute('width')) > was, before);
  expect(await shown()).toBeCloseTo(before * 1.2, 6);
  // Both pictures are there, and they are two.
  const pictures = await page.$$eval('.photo-swipe image', (images) =>
    images.map((image) => image.getAttribute('href')),
  );
  expect(new Set(pictures).size).toBe(2);
  expect(await axeProblems(page)).toEqual([]);
});
