import { afterAll, beforeAll, expect, jest, test } from '@jest/globals';
import { blankType, instrumentType, type InstrumentType } from '@holotonos/core';
import type { Page } from 'puppeteer-core';
import {
  axeInBothLights,
  axeProblems,
  choose,
  entriesOf,
  fill,
  openTicket,
  press,
  seeText,
  send,
  startPage,
  until,
  type App,
} from './app';
import { enter, settled } from './measuring';

jest.setTimeout(180_000);

let app: App;
let page: Page;
let complaints: string[];
beforeAll(async () => {
  ({ app, page, complaints } = await startPage());
});
afterAll(() => app.close());

const ticket = 'LL-340';
const playedOf = async (of: string) => (await entriesOf(app.address, of)).filter(({ kind }) => kind === 'played');
const write = (kind: string, body: object, of = ticket) =>
  send(`${app.address}/api/v1/jobs/${of}/entries`, {
    id: crypto.randomUUID(),
    kind,
    body,
    author: 'Juno Tam',
    benchTime: new Date().toISOString(),
  });
/** The suspects and leaks as they stand at the side. */
const side = (label: string) =>
  page.$eval(`section[aria-label="${label}"]`, (section) => (section as HTMLElement).innerText);

const topOf = (label: string) =>
  page.$eval(`section[aria-label="${label}"]`, (section) => (section as HTMLElement).offsetTop);

test('an oboe that was played half-way: the pad that would explain it comes first, and is gone to', async () => {
  await page.goto(`${app.address}/jobs/LL-202/sound`);
  await seeText(page, 'needed to explain it');
  const [first = ''] = (await side('Suspects')).split('\n').filter((line) => line.includes('gap of about'));
  expect(first).toContain('G♯');
  expect(await axeProblems(page)).toEqual([]);
  await page.focus('.suspects a');
  await page.keyboard.press('Enter');
  await until(page, () => location.pathname.endsWith('/look') && location.search.includes('part=g-sharp'));
});

test('nothing goes to a mouth before the cautions are read; then notes are written by one key each', async () => {
  await openTicket(app.address, ticket);
  await page.goto(`${app.address}/jobs/${ticket}/sound`);
  await seeText(page, 'Play B♭3');
  await until(page, () => document.activeElement?.classList.contains('sound'));
  await page.keyboard.press('c');
  await seeText(page, 'Read what stands above first');
  expect(await playedOf(ticket)).toEqual([]);
  await enter(page, 'It is clean, and I have read this');
  await until(page, () => document.activeElement?.classList.contains('sound'));
  for (const key of ['s', 'l', 'c'] as const) await page.keyboard.press(key);
  await seeText(page, 'Play C♯4');
  // A slip is struck, and its note comes up again.
  await page.keyboard.press('Backspace');
  await seeText(page, 'Play C4');
  await page.keyboard.press('f');
  await seeText(page, 'Play C♯4');
  await settled(page);
  const played = await playedOf(ticket);
  expect(played.map(({ body }) => [body['fingering'], body['heard']])).toEqual([
    ['b-flat-3-1', 'silent'],
    ['b3-1', 'late'],
    ['c4-1', 'clear'],
    ['c4-1', 'fuzzy'],
  ]);
  await seeText(page, 'needed to explain it');
});

test('an impossible fingering is refused by the server', async () => {
  expect((await write('played', { fingering: 'h-9-7', heard: 'clear' })).status).toBe(400);
});

test('a pad that shows light spoils what lies below it; a hole of the strip says what it would spoil', async () => {
  await write('tick', { group: 'pad', part: 'g', says: 'light' });
  await page.goto(`${app.address}/jobs/${ticket}/sound`);
  // What was read today is known to the browser alone, and is not drawn first to be taken away again.
  const drawn = await (await fetch(`${app.address}/jobs/${ticket}/sound`)).text();
  expect(drawn).toContain('What lets air out');
  expect(drawn).not.toContain('Before it is played');
  const first = await topOf('What lets air out');
  await until(page, () =>
    document.querySelector('section[aria-label="What lets air out"]')?.textContent?.includes('spoils'),
  );
  await until(page, () => document.querySelectorAll('section[aria-label="Suspects"] li').length > 0);
  // What is worked out later pushes nothing away from under a finger.
  expect(await topOf('What lets air out')).toBe(first);
  const leaks = await side('What lets air out');
  expect(leaks).toMatch(/^G: it was seen not to seal/m);
  await until(page, () =>
    document.querySelector('canvas')?.getAttribute('aria-label')?.includes('notes suffer, from B♭3'),
  );
  // The lowest notes suffer, and what has the hole open does not.
  const words = await page.$eval('canvas', (canvas) => canvas.getAttribute('aria-label') ?? '');
  expect(words).not.toMatch(/to (A4|B4|C5)/);
  await press(page, 'G');
  await until(page, () => document.querySelector('.plain-link[aria-pressed=true]')?.textContent === 'G');
  await until(page, () => document.querySelector('canvas')?.getAttribute('aria-label')?.includes('G, if it leaks'));
});

test('the page of a pad leads to the notes that suffer from it', async () => {
  await page.goto(`${app.address}/jobs/${ticket}/measure?group=pad&part=e`);
  await enter(page, 'Which notes suffer from it');
  await until(page, () => location.search === '?part=e');
  // Seen at no pad but G: this one is taken as if it leaked a hair.
  await until(page, () => document.querySelector('canvas')?.getAttribute('aria-label')?.includes('E, if it leaks'));
});

test('an instrument nobody has said the fingerings of says so, and is fingered like another', async () => {
  const bare = blankType('saxophone', 'Saxophone of no name');
  await openTicket(app.address, 'LL-341', { instrumentType: bare.id, type: bare });
  const { keys, holes, pads, rods, posts, sections } = instrumentType('alto-saxophone') as InstrumentType;
  const put = { sections, holes, keys, pads, rods, posts };
  expect((await write('instrument-change', { put }, 'LL-341')).status).toBe(201);
  await page.goto(`${app.address}/jobs/LL-341/sound`);
  await seeText(page, 'nothing is said of its sound');
  await enter(page, 'Pitch');
  await seeText(page, 'What is it like?');
  await choose(page, 'select', 'alto-saxophone');
  await fill(page, 'Semitones it sounds below what is written: 0 in C, 2 in B♭, 9 in E♭', '9');
  await seeText(page, 'fingerings use only keys and holes');
  await enter(page, 'Take its fingerings');
  await seeText(page, 'B♭3');
  await settled(page);
});

test('no faults that axe can find, in both lights, on a phone too, and nothing complained', async () => {
  expect(await axeInBothLights(page, `${app.address}/jobs/LL-202/sound`)).toEqual([]);
  await page.setViewport({ width: 390, height: 844 });
  expect(await axeInBothLights(page, `${app.address}/jobs/${ticket}/sound`)).toEqual([]);
  expect(await page.evaluate(() => document.documentElement.scrollWidth <= innerWidth)).toBe(true);
  expect(complaints).toEqual([]);
});
