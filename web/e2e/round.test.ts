import { afterAll, beforeAll, describe, expect, jest, test } from '@jest/globals';
import type { Page } from 'puppeteer-core';
import { serveGauges, type Gauges } from '@holotonos/gauges';
import { axeProblems, choose, fill, freePort, patience, press, seeText, tick, until, type App } from './app';
import { figureAsked, readingsOf, settled, startMeasuring, typeFigures, unexpected } from './measuring';

jest.setTimeout(180_000);

const ticket = 'LL-310';
let app: App;
let page: Page;
let base = '';
let faults: string[] = [];
let gauges: Gauges;
let linePort: number;
beforeAll(async () => {
  linePort = await freePort();
  gauges = await serveGauges({ line: linePort, page: 0 }, 5);
  ({ app, page, base, faults } = await startMeasuring(ticket, { gauges: `127.0.0.1:${linePort}` }));
});
afterAll(async () => {
  await app.close();
  await gauges.close();
});

const asked = () => page.$eval('.readout .asked', (element) => (element as HTMLElement).innerText.trim());
const askedFor = (text: string) =>
  until(page, (wanted) => document.querySelector('.readout .asked')?.textContent?.includes(wanted), text);
const clockOf = (entry: { body: Record<string, unknown> } | undefined) =>
  (entry?.body.point as { clock: number } | undefined)?.clock;
const control = async (key: 'z') => {
  await page.keyboard.down('Control');
  await page.keyboard.press(key);
  await page.keyboard.up('Control');
};
const pressGauge = async (gauge: string, action = 'send', value?: number) =>
  (
    await fetch(`http://127.0.0.1:${gauges.pagePort}/press`, {
      method: 'POST',
      body: JSON.stringify({ gauge, action, value }),
    })
  ).status;
/** The stand-ins know that the page asks for this place now; not of an earlier time it did. */
const aimedAt = async (clock: number) => {
  for (const until = Date.now() + patience; Date.now() < until;) {
    const state = (await (await fetch(`http://127.0.0.1:${gauges.pagePort}/state`)).json()) as {
      aim: { token: string; point: { clock: number } } | null;
    };
    const token = await page.$eval('input[data-figure]', (input) => (input as HTMLElement).dataset.aimed);
    if (token && state.aim?.token === token && state.aim.point.clock === clock) return;
    await new Promise((wait) => setTimeout(wait, 50));
  }
  throw new Error(`nobody pointed the gauges at ${clock}°`);
};

describe('a round', () => {
  test('is chosen by group and part, says its gauges, and is walked by keyboard with the readout leading', async () => {
    await page.goto(`${base}/round`);
    await seeText(page, 'A new round');
    await fill(page, 'At the bench', 'Perrin Oake');
    await tick(page, '::-p-aria([name="Part"][role="combobox"])');
    await choose(page, 'select[id$="-part"]', 'e');
    await seeText(page, '8 points. One gauge, one after the other: Feeler film set.');
    await press(page, 'Start the round');
    await figureAsked(page);
    expect(await asked()).toContain('E');
    await askedFor('at 0°');
    await typeFigures(page, '0.02', '0,03');
    await askedFor('at 90°');
    await seeText(page, '2 of 8 read');
  });

  test('a point is passed over, gone back to, repeated and struck', async () => {
    await page.keyboard.press('PageDown');
    await askedFor('at 135°');
    await seeText(page, '1 passed over');
    await page.keyboard.press('ArrowUp');
    await page.keyboard.press('ArrowUp');
    await askedFor('at 45°');
    await typeFigures(page, '0.04');
    // A repeat goes on to what is still open.
    await askedFor('at 135°');
    await settled(page);
    expect((await readingsOf(app, ticket)).map(clockOf)).toEqual([0, 45, 45]);
    await control('z');
    await askedFor('at 45°');
    await page.keyboard.press('ArrowDown');
    await page.keyboard.press('ArrowDown');
    await askedFor('at 135°');
  });

  test('a gauge that is pressed answers for the point that is asked, and no other', async () => {
    await seeText(page, 'Gauges connected');
    await aimedAt(135);
    expect(await pressGauge('feeler-film')).toBe(200);
    await askedFor('at 180°');
    await settled(page);
    expect(clockOf((await readingsOf(app, ticket)).at(-1))).toBe(135);
    // Another gauge, pressed at once with this one: it cannot read a gap of a pad and is said so.
    await aimedAt(180);
    expect(await pressGauge('leak-tester')).toBe(400);
    expect(await pressGauge('leak-tester', 'send', 3)).toBe(200);
    await seeText(page, 'which is not what is asked here. It was not taken.');
    expect(await asked()).toContain('180°');
  });

  test('rubbish is counted and shown; a flood of a thousand lines a second lands once', async () => {
    await pressGauge('caliper', 'garbage');
    await seeText(page, '1 bad line passed over');
    await aimedAt(180);
    const before = (await readingsOf(app, ticket)).length;
    await pressGauge('feeler-film', 'flood');
    await askedFor('at 225°');
    await seeText(page, 'too fast, held back');
    // The flood lasts three seconds; the device is heard again after a while of quiet.
    await new Promise((wait) => setTimeout(wait, 5500));
    await settled(page);
    const after = await readingsOf(app, ticket);
    expect(after.length).toBe(before + 1);
    expect(clockOf(after.at(-1))).toBe(180);
    expect(await asked()).toContain('225°');
  });

  test('the cable pulled in mid-round: figures are typed, and the gauges come back by themselves', async () => {
    await gauges.close();
    await seeText(page, 'Gauges not connected');
    await typeFigures(page, '0.02');
    await askedFor('at 270°');
    gauges = await serveGauges({ line: linePort, page: 0 }, 6);
    await seeText(page, 'Gauges connected');
    await aimedAt(270);
    await pressGauge('feeler-film');
    await askedFor('at 315°');
    await settled(page);
    expect((await readingsOf(app, ticket)).slice(-2).map(clockOf)).toEqual([225, 270]);
  });

  test('left on one device, it is taken up on another where it stood', async () => {
    const other = await app.page();
    await other.goto(`${base}/round`);
    await seeText(other, 'Rounds under way');
    await seeText(other, '6 of 8 read, 1 passed over');
    await press(other, 'Go on with it');
    await until(other, () => document.querySelector('.asked')?.textContent?.includes('315°'));
    await other.close();
    await page.bringToFront();
    await figureAsked(page);
    await typeFigures(page, '0.01');
    await seeText(page, 'Every point is read or passed over');
    expect(await axeProblems(page)).toEqual([]);
    await press(page, 'End the round');
    await seeText(page, 'A new round');
    expect(await axeProblems(page)).toEqual([]);
  });
});

test('nothing went wrong in the browser on the way', () => expect(unexpected(faults)).toEqual([]));
