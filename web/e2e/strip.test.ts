import { randomBytes } from 'node:crypto';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, jest, test } from '@jest/globals';
import { blankType, type JobState } from '@holotonos/core';
import { jobByTicket, jobState, openStore, type Store } from '@holotonos/store';
import type { ElementHandle, Page } from 'puppeteer-core';
import sharp from 'sharp';
import {
  axeInBothLights,
  axeProblems,
  choose,
  fill,
  openMap,
  press,
  seeText,
  send,
  startApp,
  tick,
  until,
  type App,
} from './app';

jest.setTimeout(180_000);

let app: App;
let store: Store;
let page: Page;
let folder: string;
const faults: string[] = [];
beforeAll(async () => {
  folder = mkdtempSync(join(tmpdir(), 'holotonos-pictures-'));
  app = await startApp();
  store = openStore(app.database.url, 2);
  page = await app.page();
  page.on('pageerror', (error) => faults.push(String(error)));
});
afterAll(async () => {
  await store.close();
  await app.close();
  rmSync(folder, { recursive: true, force: true });
});

const stateOf = async (ticket: string): Promise<JobState> => {
  const job = await jobByTicket(store.db, ticket);
  return jobState(store.db, job?.id ?? '');
};
const settled = () => until(page, () => !document.body.innerText.includes('Writing …'));
const keys = async (...all: string[]) => {
  for (const key of all) await page.keyboard.press(key as Parameters<typeof page.keyboard.press>[0]);
};
const shifted = async (key: 'PageDown') => {
  await page.keyboard.down('Shift');
  await page.keyboard.press(key);
  await page.keyboard.up('Shift');
};
/** The place the survey stands at. */
const place = () => page.$eval('.survey-place', (element) => (element as HTMLElement).innerText.trim());
/** The list of parts takes the focus once the page can be used. */
const atList = () => until(page, () => document.activeElement?.getAttribute('role') === 'listbox');
const open = async (path: string) => {
  await page.goto(`${app.address}${path}`);
  await page.evaluate(() => localStorage.setItem('holotonos-author', 'Juno Tam'));
};

const openTicket = async (ticket: string, type: string, more: object = {}) => {
  const entry = {
    id: crypto.randomUUID(),
    kind: 'intake',
    author: 'Juno Tam',
    benchTime: new Date().toISOString(),
    body: {
      ticket,
      owner: 'The bargees’ choir',
      instrumentType: type,
      family: 'flute',
      practice: 'steady',
      scope: 'overhaul',
      unit: 'mm',
      ...more,
    },
  };
  const answer = await send(`${app.address}/api/v1/jobs`, entry);
  expect(answer.status).toBe(201);
};

describe('a survey with the keyboard alone', () => {
  test('sixty faults are written station by station without touching the mouse', async () => {
    await openTicket('LL-401', 'concert-flute');
    await open('/jobs/LL-401/survey');
    await until(page, () => document.activeElement?.classList.contains('survey-console'));
    expect(await place()).toMatch(/^Head joint in its barrel/);
    // Joints: loose, made worse by the same key; the next one sound.
    await keys('l', 'l', 'Enter', 'PageDown');
    await until(page, () => document.querySelector('.survey-place')?.textContent?.startsWith('Head joint'));
    // Body: a dent in each section, the last only suspected and slight.
    await keys('d', 'ArrowRight', 'd', 'ArrowRight', 'd', '1', '/', 'PageDown');
    // Tone holes: five oval, then a slip that is struck.
    for (let i = 0; i < 5; i += 1) await keys('o', 'Enter');
    await keys('c', 'Backspace', 'PageDown');
    // Mechanism: every place gets what fits it; keys that mean nothing here write nothing.
    for (let i = 0; i < 20; i += 1) await keys('e', 'w', 'x', 'ArrowRight');
    await keys('PageDown');
    for (let i = 0; i < 14; i += 1) await keys('r', 'Enter');
    await keys('PageDown');
    await settled();
    const { findings, survey } = await stateOf('LL-401');
    const list = [...findings.values()];
    expect(list.length).toBeGreaterThan(45);
    expect(list.filter(({ kind }) => kind === 'joint-loose')).toMatchObject([{ severity: 3, status: 'confirmed' }]);
    expect(list.filter(({ kind }) => kind === 'dent').map(({ severity, status }) => [severity, status])).toEqual([
      [2, 'confirmed'],
      [2, 'confirmed'],
      [1, 'suspected'],
    ]);
    expect(list.filter(({ kind }) => kind === 'rim-chipped')).toEqual([]);
    expect(list.filter(({ kind }) => kind === 'spring-weak').every(({ note }) => note === 'rusted')).toBe(true);
    expect([...survey.keys()]).toEqual(['joints', 'body', 'holes', 'mechanism', 'springs']);
  });

  test('pads under the leak light: sectors, pictures, what they come to, and one deeper cause', async () => {
    expect(await place()).toMatch(/^C♯/);
    // The first pad seals; the second shows one short gap by its sector.
    await keys('0', 'Enter', '3', 'Enter');
    // Three pads in a row on one rod, open on the right.
    await until(page, () => document.querySelector('.survey-place')?.textContent?.startsWith('Second trill'));
    for (let i = 0; i < 9; i += 1) await keys('Enter');
    expect(await place()).toMatch(/^F\b/);
    await keys('r', 'Enter', 'r', 'Enter', 'r');
    await seeText(page, 'One deeper cause?');
    await seeText(page, 'Rod bent: Lower stack rod');
    await keys('Enter', 'a');
    await settled();
    const { observations, findings } = await stateOf('LL-401');
    expect(observations.get('light:c-sharp')?.sectors).toEqual([]);
    expect(observations.get('light:first-trill')?.sectors).toEqual([90]);
    expect(observations.get('light:e')?.sectors).toEqual([45, 90, 135]);
    const at = (part: string) =>
      [...findings.values()].filter((finding) => finding.part === part).map(({ kind }) => kind);
    expect(at('c-sharp')).not.toContain('pad-leaking');
    expect(at('first-trill')).toContain('pad-leaking');
    // Even light under a key that no other key reaches is not a link's fault.
    expect(at('e-flat')).toContain('pad-leaking');
    expect(findings.size).toBeGreaterThanOrEqual(50);
  });

  test('a note and a photo go with the last finding; a station is passed over; the survey is taken up again', async () => {
    await keys(',');
    await until(page, () => document.activeElement?.matches('.last-finding input'));
    await page.keyboard.type(': held off by low C♯');
    await keys('Enter');
    await until(page, () => document.activeElement?.classList.contains('survey-console'));
    const file = join(folder, 'pad.jpg');
    const svg =
      '<svg xmlns="http://www.w3.org/2000/svg" width="900" height="600"><circle cx="450" cy="300" r="200"/></svg>';
    writeFileSync(file, await sharp(Buffer.from(svg)).jpeg().toBuffer());
    const input = (await page.waitForSelector('.last-finding input[type=file]')) as ElementHandle<HTMLInputElement>;
    await input.uploadFile(file);
    await page.waitForSelector('.finding-here .photo-row button');
    await page.$eval('.survey-console', (element) => (element as HTMLElement).focus());
    await keys('PageDown');
    await shifted('PageDown');
    await settled();
    const state = await stateOf('LL-401');
    expect([...state.findings.values()].some(({ note }) => note.endsWith(': held off by low C♯'))).toBe(true);
    expect([...state.photos.values()]).toMatchObject([{ part: 'e-flat', width: 900, height: 600 }]);
    expect(state.survey.get('corks')?.outcome).toBe('skipped');
    await open('/jobs/LL-203/survey');
    await until(page, () => document.querySelector('.survey-console .label')?.textContent?.startsWith('Pads'));
  });

  test('a large picture comes through whole; one past the limit is refused with the limit named', async () => {
    const put = (body: Buffer) =>
      send(`${app.address}/api/v1/jobs/LL-401/photos/${crypto.randomUUID()}`, body, {
        method: 'PUT',
        type: 'image/png',
      });
    const noise = randomBytes(2100 * 2100 * 3);
    const large = await sharp(noise, { raw: { width: 2100, height: 2100, channels: 3 } })
      .png()
      .toBuffer();
    expect(large.length).toBeGreaterThan(11 * 1024 * 1024);
    const taken = await put(large);
    expect([taken.status, await taken.json()]).toMatchObject([201, { width: 2000, height: 2000 }]);
    const refused = await put(Buffer.alloc(21 * 1024 * 1024));
    expect([refused.status, await refused.json()]).toMatchObject([
      413,
      { message: '20 MB at most can be taken here.' },
    ]);
  });

  test('a mark is set on a picture, moved with the keyboard and kept beside it', async () => {
    await open('/jobs/LL-401');
    await press(page, 'Photo: E♭');
    await press(page, 'Add a circle');
    await page.$eval('.photo-full', (picture) => (picture as SVGElement).focus());
    await keys('ArrowRight', 'ArrowRight', 'ArrowDown');
    await press(page, 'Keep the marks');
    await until(page, () => !document.querySelector('.modal'));
    await settled();
    const [photo] = [...(await stateOf('LL-401')).photos.values()];
    expect(photo?.marks).toEqual([
      {
        shape: 'circle',
        x: expect.closeTo(0.44),
        y: expect.closeTo(0.42),
        toX: expect.closeTo(0.54),
        toY: expect.closeTo(0.52),
      },
    ]);
  });

  test('pictures that are none are refused in words', async () => {
    await open('/jobs/LL-401/survey?station=holes');
    await until(page, () => document.activeElement?.classList.contains('survey-console'));
    await keys('i');
    const file = join(folder, 'drawing.jpg');
    writeFileSync(file, '<svg xmlns="http://www.w3.org/2000/svg"><script>1</script></svg>');
    const input = (await page.waitForSelector('.last-finding input[type=file]')) as ElementHandle<HTMLInputElement>;
    await input.uploadFile(file);
    await seeText(page, 'whatever its name says. Use JPEG, PNG, WebP.');
  });
});

describe('strip-down and back, with the keyboard alone', () => {
  test('parts come off to the next place; a slip is struck; a part is carried on the board', async () => {
    await open('/jobs/LL-401/strip');
    await atList();
    const parts = await page.$$eval('[role=option]', (all) => all.length);
    expect(parts).toBeGreaterThan(25);
    await keys('Enter', 'Enter', 'Enter', 'Backspace');
    await settled();
    expect([...(await stateOf('LL-401')).off.values()].map(({ cell }) => cell)).toEqual(['A1', 'A2']);
    // Everything comes off.
    for (let i = 0; i < parts - 2; i += 1) await keys('Enter');
    await seeText(page, 'Everything is off.');
    await settled();
    const first = await page.$('.board-part');
    await first?.focus();
    // What is carried is told where it is, place by place.
    const told = (words: string) =>
      until(page, (wanted) => document.querySelector('[id^=DndLiveRegion]')?.textContent?.includes(wanted), words);
    await keys('Space');
    await told('over A1');
    for (const row of ['B', 'C', 'D', 'E', 'F']) {
      await keys('ArrowDown');
      await told(`over ${row}1`);
    }
    await keys('Space');
    await until(
      page,
      () => document.querySelector('.board-part')?.getAttribute('aria-label')?.startsWith('A1') === false,
    );
    await settled();
    const { off } = await stateOf('LL-401');
    expect(off.size).toBe(parts);
    expect(
      [...off.values()].find(({ seq }) => seq === Math.min(...[...off.values()].map((each) => each.seq)))?.cell,
    ).toBe('F1');
  });

  test('the way back: backwards, corrected, contradictions explained, ticked off to the last part', async () => {
    await press(page, 'Put together');
    await page.waitForSelector('[role=listbox]');
    const lines = await page.$$eval('[role=option]', (all) => all.map((line) => (line as HTMLElement).innerText));
    const at = (name: string) => lines.findIndex((line) => line.trim().startsWith(name));
    expect(at('Lower stack rod')).toBeGreaterThan(at('E key'));
    // Taken apart in its order, nothing stands elsewhere than backwards.
    expect(lines.join('\n')).not.toContain('Later than backwards');
    const passesOver = async (part: string, over: string) => {
      await page.goto(`${app.address}/jobs/LL-401/strip?mode=on&part=${part}`);
      await until(page, () => document.body.innerText.includes('Passes over'));
      const select = await page.waitForSelector('::-p-aria([name="Passes over"])');
      await select?.select(over);
      await settled();
    };
    await passesOver('e-key', 'f-key');
    await seeText(page, 'Later than backwards: E key passes over F key');
    // Two keys said to pass over each other cannot be.
    await passesOver('f-key', 'e-key');
    await seeText(page, 'These cannot all be true');
    await seeText(page, 'E key passes over F key');
    await page.$eval('[role=listbox]', (list) => (list as HTMLElement).focus());
    await keys('Home');
    for (let i = 0; i < lines.length; i += 1) await keys('Enter');
    await seeText(page, 'the instrument is whole');
    await settled();
    expect((await stateOf('LL-401')).off.size).toBe(0);
  });

  test('a stuck rod soaks, what the oil spoils is found, and the bench says when to look', async () => {
    await open('/jobs/LL-401/strip?part=lower-stack-rod');
    await seeText(page, 'On the instrument.');
    await press(page, 'It is stuck …');
    await tick(page, 'label::-p-text(Pad of E)');
    await press(page, 'Leave it to soak');
    await seeText(page, 'Look again');
    await settled();
    const { soaks, findings } = await stateOf('LL-401');
    expect([...soaks.values()]).toMatchObject([{ part: 'lower-stack-rod', outcome: null }]);
    expect(
      [...findings.values()].some(({ kind, part, note }) => kind === 'pad-worn' && part === 'e' && /oil/.test(note)),
    ).toBe(true);
    await open('/');
    await seeText(page, 'Soaking until');
    await seeText(page, 'Soaked long enough, time to look: Lower stack rod');
  });

  test('board and way back print as PDF', async () => {
    for (const name of ['board.pdf', 'assembly.pdf']) {
      const answer = await fetch(`${app.address}/api/v1/jobs/LL-201/${name}`);
      expect(answer.headers.get('content-type')).toBe('application/pdf');
      expect(
        Buffer.from(await answer.arrayBuffer())
          .subarray(0, 5)
          .toString(),
      ).toBe('%PDF-');
    }
  });
});

describe('an instrument never met before', () => {
  test('a ticket opens with one bare tube; parts are named, placed and moved; the type is kept and used again', async () => {
    await page.goto(`${app.address}/tickets/new`);
    await fill(page, 'Ticket (needed)', 'LL-402');
    await fill(page, 'Owner (needed)', 'The lock-keepers');
    await fill(page, 'Model', 'Very low clarinet');
    await choose(page, 'select[name=family]', 'clarinet');
    await choose(page, 'select[name=instrumentType]', 'home-made');
    await press(page, 'Open the ticket');
    await seeText(page, 'LL-402 · Very low clarinet');
    await page.goto(`${app.address}/jobs/LL-402/instrument?list=keys`);
    await fill(page, 'Key, in your own words', 'The other register key');
    await press(page, 'Add it');
    await seeText(page, '1 keys');
    await page.goto(`${app.address}/jobs/LL-402/instrument?list=holes`);
    await fill(page, 'Tone hole, in your own words', 'Upper vent');
    await fill(page, 'From its upper end, mm', '120');
    await press(page, 'Add it');
    await seeText(page, 'clock, diameter, chimney assumed');
    await settled();
    // Dragged down the tube.
    const grip = await page.waitForSelector('[data-part="upper-vent"]');
    const box = await grip?.boundingBox();
    if (!box) throw new Error('the hole is not drawn');
    await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
    await page.mouse.down();
    await page.mouse.move(box.x + 180, box.y + 20, { steps: 8 });
    await page.mouse.up();
    await settled();
    const { instrument } = await stateOf('LL-402');
    expect(instrument?.keys.map(({ name }) => name)).toEqual(['The other register key']);
    expect(instrument?.holes[0]?.at).toBeGreaterThan(150);
    expect(instrument?.holes[0]?.clock).toBeGreaterThan(0);
    await press(page, 'Keep it');
    await seeText(page, 'New tickets can start from it');
    await page.goto(`${app.address}/tickets/new`);
    await choose(page, 'select[name=family]', 'clarinet');
    await until(page, () =>
      [...document.querySelectorAll('select[name=instrumentType] option')].some(
        ({ textContent }) => textContent === 'Very low clarinet',
      ),
    );
    await choose(page, 'select[name=instrumentType]', 'very-low-clarinet');
    await fill(page, 'Ticket (needed)', 'LL-403');
    await fill(page, 'Owner (needed)', 'The lock-keepers');
    await press(page, 'Open the ticket');
    await seeText(page, 'LL-403 · Very low clarinet');
    const other = (await stateOf('LL-403')).instrument;
    expect(other?.holes.map(({ name }) => name)).toEqual(['Upper vent']);
  });

  test('forty keys come off, are named and boarded in under 200 strokes beyond their names, and go back', async () => {
    await openTicket('LL-404', 'home-made', { family: 'clarinet', type: blankType('clarinet', 'Lowest clarinet') });
    await open('/jobs/LL-404/strip');
    await until(page, () => document.activeElement?.matches('.strip-down form input'));
    let strokes = 0;
    /** a name costs nothing; what is said beyond it does, and so does Enter */
    const name = async (called: string, more = '') => {
      await page.keyboard.type(called + more);
      await page.keyboard.press('Enter');
      strokes += more.length + 1;
      await until(page, () => (document.activeElement as HTMLInputElement | null)?.value === '');
    };
    for (let rod = 1; rod <= 7; rod += 1) {
      await name(`Rod ${rod} long rod`);
      for (let key = 1; key <= 5; key += 1) await name(`Key ${rod} ${key}`, key === 5 && rod > 4 ? '; needle' : '');
    }
    // What lies beneath is still on, and gets its name here.
    await name('Bell guard', '; over Low C key');
    for (const low of ['Low D', 'Low C♯', 'Low C', 'Thumb', 'Register']) await name(`${low} key`, '; pivots');
    // A slip: one stroke takes back the name, the row and its places.
    await name('Wrong thing');
    await page.keyboard.press('Backspace');
    strokes += 1;
    await seeText(page, '58 off');
    await settled();
    const state = await stateOf('LL-404');
    expect(state.instrument?.keys).toHaveLength(40);
    expect(state.instrument?.keys.filter(({ rod }) => rod === 'rod-3-long-rod').map(({ name }) => name)).toEqual(
      [1, 2, 3, 4, 5].map((key) => `Key 3 ${key}`),
    );
    expect(state.off.get('low-c-pivots-bottom-pivot')?.cell).toMatch(/^[A-Z]\d+$/);
    expect(strokes).toBeLessThan(200);

    await press(page, 'Put together');
    await atList();
    // Backwards is the way back: nothing has to be explained.
    expect(await page.evaluate(() => document.body.innerText)).not.toContain('Later than backwards');
    for (let left = state.off.size; left > 0; left -= 1) {
      await seeText(page, `${left} to put back`);
      await page.keyboard.press('Enter');
    }
    await seeText(page, 'the instrument is whole');
  });

  test('a broken type document is refused with every fault named', async () => {
    const broken = {
      ...((await stateOf('LL-402')).instrument as object),
      id: 'broken',
      pads: [{ hole: 'x', key: 'y', diameter: 9, axisDistance: 9, hold: 'screw' }],
    };
    const file = join(folder, 'broken.json');
    writeFileSync(file, JSON.stringify(broken));
    await page.goto(`${app.address}/types`);
    const input = (await page.waitForSelector('input[type=file]')) as ElementHandle<HTMLInputElement>;
    await input.uploadFile(file);
    await seeText(page, 'a pad without a hole');
    await seeText(page, 'Nothing was taken.');
  });
});

describe('the strip', () => {
  test('travels down the tube by arrow keys, zooms, stacks and shows its layers', async () => {
    await open('/jobs/LL-201');
    await openMap(page);
    const focused = () => page.evaluate(() => document.activeElement?.getAttribute('data-part'));
    await keys('Home');
    expect(await focused()).toBe('neck-octave');
    await keys('ArrowRight', 'ArrowRight');
    expect(await focused()).toBe('high-f');
    const scale = () => page.$eval('.strip > g', (g) => g.getAttribute('transform'));
    const whole = await scale();
    await keys('+');
    expect(await scale()).not.toBe(whole);
    await keys('0');
    expect(await scale()).toBe(whole);
    await press(page, 'Layers');
    await tick(page, 'label::-p-text(Links)');
    await page.waitForSelector('.strip .link');
    await press(page, 'Stack');
    const tall = await page.$eval('.strip', (svg) => svg.getBoundingClientRect().height);
    expect(tall).toBeGreaterThan(250);
    await press(page, 'Stack');
    expect(faults).toEqual([]);
  });
});

test('who leaves the field of names for the list gets the part that was pressed', async () => {
  await open('/jobs/LL-201/strip');
  await atList();
  await tick(page, '.name-off input');
  await seeText(page, 'Say more after a semicolon');
  const fourth = '.strip-list li:nth-child(4)';
  // A hand is slower than a machine: what moves when the button goes down moves before it comes up.
  await (await page.waitForSelector(fourth))?.click({ delay: 60 });
  await page.waitForSelector(`${fourth}[aria-selected=true]`);
});

describe('everyone can use it', () => {
  test.each([
    '/jobs/LL-203/survey',
    '/jobs/LL-201/strip?part=e-key',
    '/jobs/LL-201/strip?mode=on',
    '/jobs/LL-204/instrument',
    '/jobs/LL-204/instrument?list=holes',
    '/types',
  ])('%s has no faults that axe can find', async (path) => {
    expect(await axeInBothLights(page, `${app.address}${path}`)).toEqual([]);
  });
});

describe('groups of measures beside pads and rims', () => {
  /** Goes to a part of a group and waits until its figures can be typed. */
  const measure = async (group: string, part: string) => {
    await open(`/jobs/LL-401/measure?group=${group}&part=${part}`);
    await until(page, () => document.activeElement?.matches('input[data-figure]'));
  };
  const read = async (values: readonly string[]) => {
    for (const value of values) {
      await page.keyboard.type(value);
      await keys('Enter');
    }
  };

  test('a hinge is measured in five figures and told what to swage and face', async () => {
    // A key with its posts to itself, on a flute nobody has surveyed.
    await openTicket('LL-407', 'concert-flute');
    await open('/jobs/LL-407/measure?group=hinge&part=first-trill-key');
    await until(page, () => document.activeElement?.matches('input[data-figure]'));
    await read(['4.5', '2.55', '31.82', '2.50', '31.98']);
    await seeText(page, 'Clearance on the rod');
    await seeText(page, 'Hinge loose on its rod: First trill');
    await seeText(page, 'End play: First trill');
    await seeText(page, 'longer, the rod inside');
    await settled();
  });

  test('a force in newtons has its own unit and limit; a figure that is none is refused', async () => {
    await measure('spring', 'e-key');
    await seeText(page, 'force at the touch to seal, N');
    await read(['x']);
    await seeText(page, 'Type a figure, for example 12.5');
    await page.keyboard.press('Backspace');
    await read(['0,9']);
    await seeText(page, '0.90 N');
    await until(page, () => document.querySelector('[data-testid=verdict]')?.textContent?.includes('outside'));
    await settled();
    const reading = (await stateOf('LL-401')).points.get('spring:e-key:force@0')?.readings.at(-1);
    expect(reading).toMatchObject({ value: 0.9, typed: '0,9', gauge: { id: 'force-gauge' } });
  });

  test('a bent body is seen along its quarter lines, station by station', async () => {
    await measure('body-line', 'body');
    const rows = await page.$$eval('table.readings tbody tr th', (all) =>
      all.map((th) => (th as HTMLElement).innerText.trim()),
    );
    expect(rows.length).toBeGreaterThanOrEqual(20);
    const figures = rows.map((row) => {
      const [, at, clock] = /^([\d.]+) mm, (\d+)°$/.exec(row) ?? [];
      const lean = Math.max(0, Number(at) - 180) * 0.006;
      return (lean * Math.cos((Number(clock) * Math.PI) / 180)).toFixed(3);
    });
    await read(figures);
    await seeText(page, 'Body bent: Body');
    await seeText(page, 'push toward 180°');
    await page.waitForSelector('canvas');
    await settled();
    expect(await axeProblems(page)).toEqual([]);
  });
});
