import { afterAll, beforeAll, describe, expect, jest, test } from '@jest/globals';
import { calibrationDue, dayText, type KeptGauge, type ShopState } from '@holotonos/core';
import type { Page } from 'puppeteer-core';
import { randomUUID } from 'node:crypto';
import { axeProblems, choose, fill, press, seeText, send, type App } from './app';
import { readingsOf, settled, startMeasuring, unexpected } from './measuring';

jest.setTimeout(180_000);

const ticket = 'LL-312';
let app: App;
let page: Page;
let base = '';
let faults: string[] = [];
beforeAll(async () => {
  ({ app, page, base, faults } = await startMeasuring(ticket));
});
afterAll(() => app.close());

/** A reading of the gap under a pad, as the bench would write it. */
const read = async (part: string, clock: number) => {
  const entry = {
    id: randomUUID(),
    kind: 'reading',
    author: 'Juno Tam',
    benchTime: new Date().toISOString(),
    body: {
      point: { group: 'pad', part, measure: 'gap', clock },
      value: 0.02,
      typed: '0.02',
      gauge: { id: 'feeler-film', name: 'Feeler film set', resolution: 0.01, maxPermissibleError: 0.004 },
    },
  };
  expect((await send(`${app.address}/api/v1/jobs/${ticket}/entries`, entry)).status).toBe(201);
};

describe('the shop', () => {
  test('shows what its gauges are good for; a zero check that drifts puts readings in doubt', async () => {
    await read('e', 0);
    await page.goto(`${app.address}/shop`);
    // The demo's days go with the day it is loaded.
    const { gauges, hours } = (await (await fetch(`${app.address}/api/v1/shop`)).json()) as ShopState;
    const due = calibrationDue(gauges.find(({ id }) => id === 'caliper') as KeptGauge);
    await seeText(page, `overdue since ${dayText(due ?? '', hours.timeZone)}`);
    await seeText(page, 'Bore gauge on a rod moved by 0.015');
    expect(await axeProblems(page)).toEqual([]);
    await page.keyboard.press('`');
    expect(await axeProblems(page)).toEqual([]);
    await page.keyboard.press('`');
    // A check as of before the readings above, then one now.
    const check = {
      id: '0d7a1f4e-0000-4000-8000-000000000001',
      kind: 'gauge-check',
      author: 'Juno Tam',
      benchTime: '2026-11-01T08:00:00.000Z',
      body: { gauge: 'feeler-film', shows: 0 },
    };
    const answer = await send(`${app.address}/api/v1/shop`, check);
    expect(answer.status).toBe(201);
    await press(page, 'Zero check of Feeler film set');
    await fill(page, 'Feeler film set shows at zero, mm', '0.02');
    await press(page, 'Write the check down');
    await seeText(page, 'Feeler film set moved by 0.020');
    await page.goto(`${base}/measure?group=pad&part=e`);
    await seeText(page, 'moved by 0.020 mm between two zero checks while these were read');
  });

  test('a set of limits is copied with reasons; a job takes it up and is judged anew, nothing rewritten', async () => {
    await page.goto(`${app.address}/shop`);
    await press(page, 'Copy a practice');
    await fill(page, 'Name of the practice', 'Barge choir');
    await fill(page, 'Gap under a pad at the lightest touch, own limit in mm', '0,3');
    await press(page, 'Keep this practice');
    await seeText(page, 'say why it is set otherwise');
    await fill(page, 'Gap under a pad at the lightest touch, why', 'Played on deck, in gloves');
    await press(page, 'Keep this practice');
    await seeText(page, 'Barge choir');
    await settled(page);
    await read('e', 45);
    const before = await readingsOf(app, ticket);
    await page.goto(base);
    await seeText(page, 'as the practice has them');
    await choose(page, 'select[id$="-limits"]', 'Barge choir');
    await fill(page, 'Why? What was read is judged anew, and the plan follows.', 'Agreed with the owner');
    await press(page, 'Take it up');
    await settled(page);
    await page.goto(`${base}/measure?group=pad&part=e`);
    await seeText(page, 'limit 0.300 mm');
    expect(await readingsOf(app, ticket)).toEqual(before);
  });
});

test('nothing went wrong in the browser on the way', () => expect(unexpected(faults)).toEqual([]));
