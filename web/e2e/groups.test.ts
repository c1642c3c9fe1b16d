import { afterAll, beforeAll, describe, expect, jest, test } from '@jest/globals';
import type { Page } from 'puppeteer-core';
import { axeProblems, choose, entriesOf, fill, openMap, press, seeText, tick, until, type App } from './app';
import { figureAsked, settled, startMeasuring, typeFigures, unexpected } from './measuring';

jest.setTimeout(180_000);

const ticket = 'LL-313';
let app: App;
let page: Page;
let base = '';
let faults: string[] = [];
beforeAll(async () => {
  ({ app, page, base, faults } = await startMeasuring(ticket));
});
afterAll(() => app.close());

describe('the pages of the groups', () => {
  test('a bent body: support and push on the strip, a pass is logged, what sprang back is learned', async () => {
    // Nine stations, four lines: bent toward 0° from the fifth on.
    const out = (station: number) => Math.max(0, station - 4) * 0.5;
    /** One line after the other down the tube, as a hand goes. */
    const lines = (stations: readonly number[]) =>
      [1, 0, -1, 0].flatMap((way) => stations.map((station) => (way * out(station)).toFixed(2)));
    const startRound = async (points: string, extras: boolean) => {
      await page.goto(`${base}/round`);
      await tick(page, '::-p-aria([name="Pads"][role="checkbox"])');
      await tick(page, '::-p-aria([name="Body line"][role="checkbox"])');
      await choose(page, 'select[id$="-part"]', 'body');
      if (extras) await tick(page, 'input[id$="-extras"]');
      await seeText(page, points);
      await press(page, 'Start the round');
      await figureAsked(page);
    };
    // Three stations are the usual set.
    await startRound('12 points', false);
    await typeFigures(page, ...lines([0, 4, 8]));
    await seeText(page, 'Every point is read or passed over');
    await press(page, 'End the round');
    await page.goto(`${base}/measure?group=body-line&part=body`);
    await seeText(page, 'Three stations say: bent toward');
    await seeText(page, 'Read more stations before it is pushed');
    await settled(page);
    // The rest are read because the amount matters; three run-outs come first, with another gauge.
    await startRound('27 points', true);
    await typeFigures(page, '0', '0', '0', ...lines([1, 2, 3, 5, 6, 7]));
    await seeText(page, 'Every point is read or passed over');
    await press(page, 'End the round');
    await page.goto(`${base}/measure?group=body-line&part=body`);
    await seeText(page, 'leaning toward 0°');
    await openMap(page);
    const found = await page.$$eval('.strip .found text', (all) => all.map((text) => text.textContent));
    expect(found.join()).toMatch(/support.*push .*toward 180°/);
    expect(await axeProblems(page)).toEqual([]);
    await page.keyboard.press('Escape');
    await fill(page, 'I have set it by, degrees', '0.4');
    await press(page, 'Log the pass');
    await seeText(page, 'Straightening, pass 1');
    await settled(page);
    const last = (await entriesOf(app.address, ticket)).at(-1);
    expect(last?.kind).toBe('pass');
    expect(last?.body.disturbs).toContain('body-line:body');
  });

  test('one rod with all its keys; posts, and a bush for a stripped one where there is wood', async () => {
    await page.goto(`${base}/measure?group=hinge&part=lower-stack-rod`);
    await seeText(page, 'Still to be read: the tube of');
    expect(await axeProblems(page)).toEqual([]);
    await page.goto(`${app.address}/jobs/LL-202/measure?group=post&part=side-rod-post-2`);
    await seeText(page, 'A bush for');
    await seeText(page, 'of wood are left above the bore');
    await fill(page, 'Wood to the bore, mm', '2');
    await until(page, () => !document.body.innerText.includes('of wood are left above the bore'));
    await seeText(page, 'Humidity, %');
    expect(await axeProblems(page)).toEqual([]);
  });
});

test('nothing went wrong in the browser on the way', () => expect(unexpected(faults)).toEqual([]));
