import { afterAll, beforeAll, expect, jest, test } from '@jest/globals';
import { newPiece, type PracticePiece } from '@holotonos/core';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { ElementHandle, Page } from 'puppeteer-core';
import { axeInBothLights, axeProblems, seeText, startPage, until, type App } from './app';
import { enter } from './measuring';

jest.setTimeout(300_000);

let app: App;
let page: Page;
let complaints: string[] = [];
beforeAll(async () => {
  ({ app, page, complaints } = await startPage());
});
afterAll(() => app.close());

const pieces = () => `${app.address}/pieces`;
const folder = mkdtempSync(join(tmpdir(), 'pieces-'));
/** A file as somebody would give it on. */
function fileOf(name: string, text: string): string {
  const path = join(folder, name);
  writeFileSync(path, text);
  return path;
}
const plain = newPiece({ instrument: 'concert-flute', practice: 'stage', grade: 1, seed: 1 });
const late: PracticePiece = {
  ...plain,
  title: 'The late helper',
  told: 'Low notes answer late.',
  faults: [{ kind: 'adjuster', link: 'f-to-f-sharp', steps: 4 }],
};
/** The page runs here: what it reckons with has come. */
const ready = () => until(page, () => document.querySelectorAll('input[name=grade]:not(:disabled)').length === 5);
const takeUp = async (path: string) => {
  await page.goto(pieces());
  await ready();
  const field = (await page.waitForSelector('input[type=file]')) as ElementHandle<HTMLInputElement>;
  await field.uploadFile(path);
};
const atBench = () => until(page, () => document.activeElement?.classList.contains('survey-console'));
const said = (words: string) =>
  until(page, (wanted) => document.querySelector('.band-readout')?.textContent?.includes(wanted), words);
const goTo = async (words: string) => {
  for (let i = 0; i < 30; i += 1) {
    if ((await page.$eval('.survey-place', (place) => place.textContent)).startsWith(words)) return;
    await page.keyboard.press('ArrowDown');
  }
  throw new Error(`no look at ${words}`);
};
test('a piece from a file by keyboard: looked at, turned as tried, said, cured; the shop remembers who', async () => {
  await page.goto(pieces());
  await ready();
  await page.type('#who', 'Ilse Brandt');
  await takeUp(fileOf('broken.json', '{ "format": '));
  await seeText(page, 'This is not JSON');
  await takeUp(fileOf('strange.json', JSON.stringify({ ...late, instrument: 'serpent' })));
  await seeText(page, '“serpent” is no instrument that ships');
  await takeUp(fileOf('late.json', JSON.stringify(late)));
  await atBench();
  await seeText(page, 'Low notes answer late.');
  await goTo('F key to F♯ key');
  await page.keyboard.press('p');
  await said('free under the follower');
  await page.keyboard.press('m');
  await said('mm late');
  await page.keyboard.press('d');
  await said('no light');
  await page.keyboard.press('h');
  await said('no rock, no end play');
  // Tried on the picture first, with what it does to the rules.
  for (let i = 0; i < 4; i += 1) await page.keyboard.press('<');
  await seeText(page, 'Turn the screw a quarter in.');
  await seeText(page, 'F closes F♯: neither holds the other open.');
  await enter(page, 'Turned as tried');
  await page.focus('.survey-console');
  await page.keyboard.press('p');
  await said('film evenly tight under both');
  await enter(page, 'Its adjuster is out');
  expect(await axeProblems(page)).toEqual([]);
  // What was done stays, whatever becomes of the page.
  await page.reload();
  await atBench();
  await goTo('F key to F♯ key');
  await seeText(page, 'film evenly tight under both');
  await enter(page, 'I am done: show what was there');
  await seeText(page, 'So you did.');
  await seeText(page, 'You said so.');
  expect(await page.$eval('h2', (title) => title.textContent)).toBe('Cured');
  expect(await axeProblems(page)).toEqual([]);
  await page.goto(pieces());
  await seeText(page, 'Ilse Brandt');
  await seeText(page, 'gone through');
  const rows = await page.$$eval('tbody tr', (all) => all.map((row) => row.textContent));
  expect(rows).toEqual([expect.stringContaining('One adjuster out')]);
  // It is a job to this browser alone.
  expect((await fetch(`${app.address}/api/v1/jobs/PIECE/export`)).status).toBe(404);
});

test('a piece is laid out by grade; what no adjuster cures is told afterwards; it is put away', async () => {
  await page.goto(pieces());
  await ready();
  await page.evaluate(() => document.querySelectorAll<HTMLInputElement>('input[name=grade]')[4]?.click());
  await enter(page, 'Take it up');
  await atBench();
  await page.keyboard.press('l');
  await said('A key to B♭ key');
  await enter(page, 'I am done: show what was there');
  await seeText(page, 'Not cured yet');
  await seeText(page, 'Level it first: no adjuster does it.');
  await seeText(page, 'Tighten it first: no adjuster does it.');
  await page.goto(pieces());
  await until(page, () => document.querySelectorAll('a[href*="piece="]').length === 2);
  await page.focus('[aria-label^="Put away: The late helper"]');
  await page.keyboard.press('Enter');
  await until(page, () => document.querySelectorAll('a[href*="piece="]').length === 1);
  await page.goto(`${pieces()}/bench?piece=no-such`);
  await seeText(page, 'This piece is not kept in this browser.');
});

test('both lights are readable, nothing is cut on a phone, nobody complains', async () => {
  expect(await axeInBothLights(page, pieces())).toEqual([]);
  await takeUp(fileOf('again.json', JSON.stringify(late)));
  await atBench();
  const bench = page.url();
  expect(await axeInBothLights(page, bench)).toEqual([]);
  await page.setViewport({ width: 390, height: 844 });
  for (const address of [pieces(), bench]) {
    await page.goto(address);
    await until(page, () => document.querySelector('main h1, .survey-place, main h2') !== null);
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
  }
  await page.setViewport({ width: 1280, height: 800 });
  expect(complaints).toEqual([]);
});
