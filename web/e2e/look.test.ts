import { afterAll, beforeAll, expect, jest, test } from '@jest/globals';
import type { Page } from 'puppeteer-core';
import { axeProblems, entriesOf, openTicket, seeText, startApp, until, type App } from './app';
import { doStep, enter } from './measuring';

jest.setTimeout(300_000);

let app: App;
let page: Page;
let base = '';
beforeAll(async () => {
  app = await startApp();
  await openTicket(app.address, 'LOOK-1');
  base = `${app.address}/jobs/LOOK-1`;
  page = await app.page();
});
afterAll(() => app.close());

const ready = () => until(page, () => document.activeElement?.classList.contains('survey-console'));
const looks = async () => (await entriesOf(app.address, 'LOOK-1')).filter(({ kind }) => kind === 'tick');
const settled = async (count: number) => {
  for (let tries = 0; (await looks()).length < count && tries < 100; tries += 1)
    await new Promise((done) => setTimeout(done, 100));
  return looks();
};

test('every pad of a saxophone is looked at by keyboard alone, one key each, and what is wrong is offered', async () => {
  await page.goto(`${base}/look?group=pad`);
  await ready();
  const pads = await page.$$eval('.looks-list li', (rows) => rows.length);
  expect(pads).toBeGreaterThan(20);
  // As fast as a hand can press: nothing is waited for in between.
  for (let i = 0; i < pads; i += 1) await page.keyboard.press(i === 4 ? 'l' : i % 3 === 0 ? 'd' : 'n');
  await seeText(page, `${pads} of ${pads} looked at`);
  const written = await settled(pads);
  expect(new Set(written.map(({ body }) => body.part)).size).toBe(pads);
  // The one that showed light speaks for a finding; a person confirms it where it is looked at.
  for (let i = 0; i < pads - 5; i += 1) await page.keyboard.press('ArrowUp');
  await seeText(page, 'light shows');
  await seeText(page, 'Pad leaking');
  expect(await axeProblems(page)).toEqual([]);
});

test('the other light, the tablet and the phone', async () => {
  await page.evaluate(() => localStorage.setItem('holotonos-light', 'leak'));
  for (const [width, height] of [
    [1024, 768],
    [390, 844],
  ] as const) {
    await page.setViewport({ width, height });
    await page.goto(`${base}/look?group=joint`);
    await ready();
    expect(await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth)).toBeLessThanOrEqual(0);
    expect(await axeProblems(page)).toEqual([]);
  }
  await page.evaluate(() => localStorage.removeItem('holotonos-light'));
  await page.setViewport({ width: 1280, height: 800 });
});

test('a side, a step back, and what the record says of it', async () => {
  const before = (await looks()).length;
  await page.goto(`${base}/look?group=body-line`);
  await ready();
  for (const key of ['b', '3', 's', 'Backspace', 'h'] as const) await page.keyboard.press(key);
  await settled(before + 3);
  await page.goto(`${base}/record`);
  await seeText(page, 'Looked at, without a figure');
  await seeText(page, 'bowed plainly, toward 90°');
  const csv = await (await fetch(`${app.address}/api/v1/jobs/LOOK-1/looks`)).text();
  expect(csv).toMatch(/bowed-plainly/);
  expect((await fetch(`${app.address}/api/v1/jobs/NO-SUCH/looks`)).status).toBe(404);
});

test('a look is written though the page is left before the browser’s store has opened', async () => {
  const before = (await looks()).length;
  const { identifier } = await page.evaluateOnNewDocument(() => {
    const open = indexedDB.open.bind(indexedDB);
    // It opens something else, and never says that it has.
    indexedDB.open = () => Object.assign(open('another'), { addEventListener: () => undefined });
  });
  await page.goto(`${base}/look?group=body-line`);
  await ready();
  await page.removeScriptToEvaluateOnNewDocument(identifier);
  // Nothing is sent before the store has said what an earlier page left in it.
  await page.keyboard.press('s');
  await page.goto(`${base}/record`);
  expect(await settled(before + 1)).toHaveLength(before + 1);
});

test('a dropped flute: three pads open to the right, the rod, two pads good by a look, one floated, signed', async () => {
  await openTicket(app.address, 'LOOK-2', { instrumentType: 'concert-flute', family: 'flute', practice: 'steady' });
  const flute = `${app.address}/jobs/LOOK-2`;
  const statuses = async () => {
    const now = new Map<string, unknown>();
    for (const { kind, body } of await entriesOf(app.address, 'LOOK-2'))
      if (kind === 'finding') now.set(`${String(body.kind)} ${String(body.part)}`, body.status);
    return Object.fromEntries(now);
  };
  for (const part of ['f', 'e', 'd']) {
    await page.goto(`${flute}/survey?station=pads&part=${part}`);
    await ready();
    await page.keyboard.press('r');
    await settledStatuses(statuses, { [`pad-leaking ${part}`]: expect.anything() });
  }
  // Three in a row to one side are one cause upstream: it is offered, and a person says so.
  await page.goto(`${flute}/findings`);
  await seeText(page, 'one cause upstream');
  await enter(page, 'Confirm');
  await seeText(page, 'Rod bent');
  await page.goto(`${flute}/plan`);
  await seeText(page, 'Straighten or renew the rod: Lower stack rod');
  const rod = 'straighten-rod:lower-stack-rod';
  await page.goto(`${flute}/plan?step=${encodeURIComponent('reseat-pad:f')}`);
  await seeText(page, 'Waits for');
  // The keys on that rod come off for it, and go back on before anything is looked at.
  await doStep(page, flute, 'strip-some:instrument');
  await doStep(page, flute, rod);
  await page.goto(`${flute}/plan?step=${encodeURIComponent('reseat-pad:f')}`);
  await seeText(page, 'this may have gone with it');
  await doStep(page, flute, 'assemble-some:instrument');
  // Two are good, one still lets the film through at its side.
  for (const [part, key] of [
    ['f', 'n'],
    ['e', 's'],
    ['d', 'd'],
  ] as const) {
    await page.goto(`${flute}/look?group=pad&part=${part}`);
    await ready();
    await page.keyboard.press(key);
    await until(page, () => !document.querySelector('[data-testid=last-look]')?.textContent?.includes('none'));
  }
  await settledStatuses(statuses, { 'pad-leaking f': 'cured', 'pad-leaking e': 'confirmed', 'pad-leaking d': 'cured' });
  await doStep(page, flute, 'reseat-pad:e');
  await page.goto(`${flute}/record`);
  await enter(page, 'Sign the record');
  await seeText(page, 'Signed by');
  await until(page, () => !document.body.innerText.includes('Writing …'));
  expect((await entriesOf(app.address, 'LOOK-2')).map(({ kind }) => kind)).toContain('sign-off');
});

/** Waits until the server has these findings so: a page that is left sooner may leave a key unheard. */
async function settledStatuses(statuses: () => Promise<Record<string, unknown>>, wanted: object): Promise<void> {
  for (let tries = 0; tries < 600; tries += 1) {
    try {
      return expect(await statuses()).toMatchObject(wanted);
    } catch {
      await new Promise((done) => setTimeout(done, 100));
    }
  }
  expect(await statuses()).toMatchObject(wanted);
}

test('two hours for a saxophone: 24 pads by light, four faults, the rest left in words, signed, by keyboard', async () => {
  const sax = `${app.address}/jobs/LOOK-3`;
  await openTicket(app.address, 'LOOK-3', { promise: 120 });
  let strokes = 0;
  const stroke = async (...all: string[]) => {
    for (const key of all) {
      await page.keyboard.press(key as Parameters<typeof page.keyboard.press>[0]);
      strokes += 1;
    }
  };
  /** A button by keyboard: a way to it and the press, counted as two. */
  const act = async (name: string) => {
    await enter(page, name);
    strokes += 2;
  };
  const written = async (kind: string) => (await entriesOf(app.address, 'LOOK-3')).filter((each) => each.kind === kind);
  const lastLook = () => page.$eval('[data-testid=last-look] strong', (element) => element.textContent ?? '');

  // Every pad: light shows under three of them.
  await page.goto(`${sax}/look?group=pad`);
  await ready();
  const pads = await page.$$eval('.looks-list li', (rows) => rows.length);
  expect(pads).toBe(24);
  for (let i = 0; i < pads; i += 1) await stroke([6, 19, 22].includes(i) ? 'l' : 'n');
  await until(page, () => document.querySelector('[data-testid=last-look] strong')?.textContent?.includes('no light'));
  expect(await lastLook()).toMatch(/^Low B♭/);
  await page.goto(`${sax}/look?group=joint`);
  await ready();
  await stroke('w');
  await page.goto(`${sax}/findings`);
  for (let left = 4; left > 0; left -= 1) {
    await until(page, (n) => document.querySelectorAll('article.suggestion, article h3').length >= n, left);
    await act('Confirm');
    await until(page, (n) => document.querySelectorAll('article h3').length < n, left);
  }

  // What fits, and what does not: that is left with the notes that suffer from it.
  await page.goto(`${sax}/plan`);
  await seeText(page, '2 h promised');
  const told = await page.$eval('[aria-labelledby$=promise]', (section) => (section as HTMLElement).innerText);
  expect(told).toMatch(/of \d+ notes that fail now play again/);
  const beyond = /Leave the \d+ steps? that do(?:es)? not fit/.exec(told)?.[0];
  if (beyond) await act(beyond);
  await page.waitForSelector('.plan-desk');

  // One step after the other, each with one key; cautions are read once a day. A pad that was worked on is looked at again.
  for (let turn = 0; turn < 12; turn += 1) {
    await page.goto(`${sax}/plan`);
    await page.waitForSelector('.step-card h2, .sheet');
    await until(page, () => document.activeElement?.classList.contains('plan-desk'));
    // What is left waits for the adhesive, and for nothing else.
    if (await page.evaluate(() => document.body.innerText.includes('Nothing can start now'))) break;
    for (const box of await page.$$('.step-card fieldset input[type=checkbox]:not(:checked)')) {
      await box.focus();
      await stroke('Space');
    }
    await page.focus('.plan-desk');
    await stroke('d');
    await until(page, () =>
      /Done: |Not done: /.test(document.querySelector('.readout-plain .said')?.textContent ?? ''),
    );
    await until(page, () => !document.body.innerText.includes('Writing …'));
    await page.goto(`${sax}/look`);
    await ready();
    for (let again = 0; again < 6; again += 1) {
      if (!(await page.evaluate(() => document.body.innerText.includes('To be looked at again')))) break;
      await stroke('.', (await page.evaluate(() => document.body.innerText.includes('snug and airtight'))) ? 's' : 'n');
      await until(page, () => !document.body.innerText.includes('Writing …'));
    }
  }
  await page.goto(`${sax}/plan?step=${encodeURIComponent('bring-in-links:instrument')}`);
  await seeText(page, 'The gate is open: its readings are fresh.');
  await page.focus('.plan-desk');
  await stroke('d');
  await seeText(page, 'is still curing.');
  await page.goto(`${sax}/record`);
  await act('Sign the record');
  await seeText(page, 'Signed by');
  await until(page, () => !document.body.innerText.includes('Writing …'));
  expect((await written('tick')).length).toBeGreaterThanOrEqual(pads);
  const done = (await written('operation-done')).map(({ body }) => body.operation);
  // The neck and the pad that gives back most notes; what of the two others does not fit is left with the notes that suffer.
  expect(done).toEqual(expect.arrayContaining(['expand-tenon:neck-receiver', 'reseat-pad:c']));
  const left = (await written('operation-skipped')).map(({ body }) => body.reason);
  expect(left.length).toBeGreaterThan(0);
  expect(done.length + left.length).toBe(4);
  for (const reason of left) expect(reason).toMatch(/^Beyond the 2 h that were promised; .*B♭3.* may fail\.$/);
  expect(await written('sign-off')).toHaveLength(1);
  expect(strokes).toBeLessThan(120);
});
