import { afterAll, beforeAll, describe, expect, jest, test } from '@jest/globals';
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { serveGauges, type Gauges } from '@holotonos/gauges';
import type { Page } from 'puppeteer-core';
import {
  axeProblems,
  entriesOf,
  fill,
  freePort,
  openTicket,
  patience,
  press,
  seeText,
  startApp,
  tick,
  type App,
  send,
} from './app';

jest.setTimeout(180_000);

let app: App;
let page: Page;
let gauges: Gauges;
let linePort: number;
const faults: string[] = [];
const ticket = 'LL-310';
beforeAll(async () => {
  linePort = await freePort();
  gauges = await serveGauges({ line: linePort, page: 0 }, 5);
  app = await startApp({ gauges: `127.0.0.1:${linePort}` });
  await openTicket(app.address, ticket);
  page = await app.page();
  page.on('pageerror', (error) => faults.push(String(error)));
  page.on(
    'console',
    (message) => message.type() === 'error' && faults.push(`${message.text()} ${message.location().url ?? ''}`),
  );
});
afterAll(async () => {
  await app.close();
  await gauges.close();
});

const base = () => `${app.address}/jobs/${ticket}`;
const type = async (...values: string[]) => {
  for (const value of values) {
    await page.keyboard.type(value);
    await page.keyboard.press('Enter');
  }
};
const ready = () =>
  page.waitForFunction(() => document.activeElement?.matches('input[data-figure]'), { timeout: patience });
const asked = () => page.$eval('.readout .asked', (element) => (element as HTMLElement).innerText.trim());
const askedFor = (text: string) =>
  page.waitForFunction(
    (wanted) => document.querySelector('.readout .asked')?.textContent?.includes(wanted),
    { timeout: patience },
    text,
  );
const settled = () => page.waitForFunction(() => !document.body.innerText.includes('Writing …'), { timeout: patience });
const readings = async () => (await entriesOf(app.address, ticket)).filter(({ kind }) => kind === 'reading');
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
/** The stand-ins know of this place by now. */
const aimedAt = async (clock: number) => {
  for (let tries = 0; tries < 200; tries += 1) {
    const state = (await (await fetch(`http://127.0.0.1:${gauges.pagePort}/state`)).json()) as {
      aim: { point: { clock: number } } | null;
    };
    if (state.aim?.point.clock === clock) return;
    await new Promise((wait) => setTimeout(wait, 50));
  }
  throw new Error(`nobody pointed the gauges at ${clock}°`);
};

describe('a round', () => {
  test('is chosen by group and part, says its gauges, and is walked by keyboard with the readout leading', async () => {
    await page.goto(`${base()}/round`);
    await seeText(page, 'A new round');
    await fill(page, 'At the bench', 'Perrin Oake');
    await tick(page, '::-p-aria([name="Part"][role="combobox"])');
    await page.select('select[id$="-part"]', 'e');
    await seeText(page, '8 points. One gauge, one after the other: Feeler film set.');
    await press(page, 'Start the round');
    await ready();
    expect(await asked()).toContain('E');
    await askedFor('at 0°');
    await type('0.02', '0,03');
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
    await type('0.04');
    // A repeat goes on to what is still open.
    await askedFor('at 135°');
    await settled();
    expect((await readings()).map(clockOf)).toEqual([0, 45, 45]);
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
    await settled();
    expect(clockOf((await readings()).at(-1))).toBe(135);
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
    const before = (await readings()).length;
    await pressGauge('feeler-film', 'flood');
    await askedFor('at 225°');
    await seeText(page, 'too fast, held back');
    // The flood lasts three seconds; the device is heard again after a while of quiet.
    await new Promise((wait) => setTimeout(wait, 5500));
    await settled();
    const after = await readings();
    expect(after.length).toBe(before + 1);
    expect(clockOf(after.at(-1))).toBe(180);
    expect(await asked()).toContain('225°');
  });

  test('the cable pulled in mid-round: figures are typed, and the gauges come back by themselves', async () => {
    await gauges.close();
    await seeText(page, 'Gauges not connected');
    await type('0.02');
    await askedFor('at 270°');
    gauges = await serveGauges({ line: linePort, page: 0 }, 6);
    await seeText(page, 'Gauges connected');
    await aimedAt(270);
    await pressGauge('feeler-film');
    await askedFor('at 315°');
    await settled();
    expect((await readings()).slice(-2).map(clockOf)).toEqual([225, 270]);
  });

  test('left on one device, it is taken up on another where it stood', async () => {
    const other = await app.page();
    await other.goto(`${base()}/round`);
    await seeText(other, 'Rounds under way');
    await seeText(other, '6 of 8 read, 1 passed over');
    await press(other, 'Go on with it');
    await other.waitForFunction(() => document.querySelector('.asked')?.textContent?.includes('315°'));
    await other.close();
    await page.bringToFront();
    await ready();
    await type('0.01');
    await seeText(page, 'Every point is read or passed over');
    expect(await axeProblems(page)).toEqual([]);
    await press(page, 'End the round');
    await seeText(page, 'A new round');
    expect(await axeProblems(page)).toEqual([]);
  });
});

describe('the shop', () => {
  test('shows what its gauges are good for; a zero check that drifts puts readings in doubt', async () => {
    await page.goto(`${app.address}/shop`);
    await seeText(page, 'overdue since 20 Oct 2026');
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
    await page.goto(`${base()}/measure?group=pad&part=e`);
    await seeText(page, 'moved by 0.020 between two zero checks while these were read');
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
    await settled();
    const before = await readings();
    await page.goto(base());
    await seeText(page, 'as the practice has them');
    await page.select('select[id$="-limits"]', 'Barge choir');
    await fill(page, 'Why? What was read is judged anew, and the plan follows.', 'Agreed with the owner');
    await press(page, 'Take it up');
    await settled();
    await page.goto(`${base()}/measure?group=pad&part=e`);
    await seeText(page, 'limit 0.300 mm');
    expect(await readings()).toEqual(before);
  });
});

describe('the pages of the groups', () => {
  test('a bent body: support and push on the strip, a pass is logged, what sprang back is learned', async () => {
    const sections = ['0', '0', '0', '0'];
    await page.goto(`${base()}/round`);
    await tick(page, '::-p-aria([name="Pads"][role="checkbox"])');
    await tick(page, '::-p-aria([name="Body line"][role="checkbox"])');
    await page.select('select[id$="-part"]', 'body');
    await seeText(page, '40 points');
    await press(page, 'Start the round');
    await ready();
    // Ten stations, four lines: bent toward 0° from the sixth on.
    const out = (station: number) => Math.max(0, station - 5) * 0.5;
    for (let station = 0; station < 10; station += 1) {
      const off = out(station).toFixed(2);
      await type(off, sections[1] ?? '0', `-${off}`, sections[3] ?? '0');
    }
    await seeText(page, 'Every point is read or passed over');
    await press(page, 'End the round');
    await page.goto(`${base()}/measure?group=body-line&part=body`);
    await seeText(page, 'leaning toward 0°');
    const found = await page.$$eval('.strip .found text', (all) => all.map((text) => text.textContent));
    expect(found.join()).toMatch(/support.*push .*toward 180°/);
    expect(await axeProblems(page)).toEqual([]);
    await fill(page, 'I have set it by, degrees', '0.4');
    await press(page, 'Log the pass');
    await seeText(page, 'Straightening, pass 1');
    await settled();
    const last = (await entriesOf(app.address, ticket)).at(-1);
    expect(last?.kind).toBe('pass');
    expect(last?.body.disturbs).toContain('body-line:body');
  });

  test('one rod with all its keys; posts, and a bush for a stripped one where there is wood', async () => {
    await page.goto(`${base()}/measure?group=hinge&part=lower-stack-rod`);
    await seeText(page, 'Still to be read: the tube of');
    expect(await axeProblems(page)).toEqual([]);
    await page.goto(`${app.address}/jobs/LL-202/measure?group=post&part=side-rod-post-2`);
    await seeText(page, 'A bush for');
    await seeText(page, 'of wood are left above the bore');
    await fill(page, 'Wood to the bore, mm', '2');
    await page.waitForFunction(() => !document.body.innerText.includes('of wood are left above the bore'));
    await seeText(page, 'Humidity, %');
    expect(await axeProblems(page)).toEqual([]);
  });
});

describe('files', () => {
  const header = 'group;part;measure;clock (deg);value (mm);gauge;gauge resolution (mm);gauge max error (mm)';
  const row = (i: number) => `pad;${i % 2 ? 'f' : 'g'};gap;${(i % 8) * 45};0,0${(i % 9) + 1};feeler-film;0,01;0,004`;
  const file = (name: string, rows: number, change = (line: string) => line) => {
    const path = join(app.downloads, name);
    writeFileSync(path, [header, ...Array.from({ length: rows }, (_, i) => row(i))].map(change).join('\r\n'));
    return path;
  };
  const choose = async (path: string) => {
    await page.goto(`${base()}/record`);
    const input = (await page.waitForSelector('input[type=file][accept*=csv]', { timeout: patience })) as never as {
      uploadFile: (path: string) => Promise<void>;
    };
    await settled();
    await input.uploadFile(path);
  };

  test('semicolons and decimal commas are recognised and shown before anything is taken', async () => {
    const before = (await readings()).length;
    await choose(file('spain.csv', 40));
    await seeText(page, 'columns parted by semicolon');
    await seeText(page, 'decimals with a comma');
    expect((await readings()).length).toBe(before);
    await press(page, 'Take these readings');
    await seeText(page, '40 readings taken; 0 were here already.');
    expect((await readings()).at(-1)?.body.value).toBeCloseTo(0.04, 9);
  });
  test('a bad row is named by line and column, and nothing is taken', async () => {
    const before = (await readings()).length;
    await choose(file('bad.csv', 40, (line) => line.replace('gap;90;0,03', 'gap;90;wide')));
    await press(page, 'Take these readings');
    await seeText(page, 'line 4, column “value (mm)”: “wide” is not a figure');
    expect((await readings()).length).toBe(before);
  });
  test('a large file shows how far it is and can be stopped; nothing of it stays', async () => {
    const before = await countOf();
    await choose(file('large.csv', 50_000));
    await press(page, 'Take these readings');
    await page.waitForFunction(() => /(Checking|Writing): \d{4,} rows/.test(document.body.innerText), {
      timeout: 60_000,
    });
    await press(page, 'Stop');
    await seeText(page, 'Stopped as asked');
    await new Promise((wait) => setTimeout(wait, 1500));
    expect(await countOf()).toBe(before);
  });
  test('the measuring book goes out as a data package and comes into another job', async () => {
    const zip = Buffer.from(await (await fetch(`${base()}/book.zip`.replace('/jobs/', '/api/v1/jobs/'))).arrayBuffer());
    await openTicket(app.address, 'LL-311');
    const path = join(app.downloads, 'book.zip');
    writeFileSync(path, zip);
    await page.goto(`${app.address}/jobs/LL-311/record`);
    const input = (await page.waitForSelector('input[type=file][accept*=zip]', { timeout: patience })) as never as {
      uploadFile: (path: string) => Promise<void>;
    };
    await input.uploadFile(path);
    await seeText(page, 'readings taken; 0 were here already.');
    const csv = async (name: string) =>
      (await fetch(`${app.address}/api/v1/jobs/${name}/readings?group=body-line`)).text();
    const plain = (text: string) => text.split('\r\n').map((line) => line.replace(/,("[^"]*"|[^,]*)$/, ''));
    expect(plain(await csv('LL-311'))).toEqual(plain(await csv(ticket)));
  });
  const countOf = async (): Promise<number> => {
    const { rows } = await app.database.db.execute<{ n: string }>(
      `select count(*) as n from entries join jobs on jobs.id = entries.job_id where jobs.ticket = '${ticket}'`,
    );
    return Number(rows[0]?.n);
  };
  test('nothing went wrong in the browser on the way', () =>
    expect(faults.filter((fault) => !/400|Failed to load resource|ERR_/.test(fault))).toEqual([]));
});
