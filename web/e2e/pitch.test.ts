import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import { afterAll, beforeAll, expect, jest, test } from '@jest/globals';
import { compassOf, instrumentType, playedSound, type InstrumentType } from '@holotonos/core';
import type { ElementHandle, Page } from 'puppeteer-core';
import wavefile from 'wavefile';
import { axeInBothLights, entriesOf, openTicket, press, seeText, send, startPage, until, type App } from './app';
import { enter, figureAsked, settled, typeFigures } from './measuring';

jest.setTimeout(180_000);

const folder = mkdtempSync(join(tmpdir(), 'holotonos-sound-'));
const scale = join(folder, 'scale.wav');
const held = join(folder, 'held.wav');
/** A recording of the stand-in player, and what each note in it really is. */
function record(file: string, ...more: string[]): [string, number][] {
  const said = execFileSync(
    process.execPath,
    [resolve(import.meta.dirname, '../../bin/holotonos'), 'play', 'alto-saxophone', file, ...more],
    { encoding: 'utf8', env: { ...process.env, NODE_OPTIONS: '' } },
  );
  return said
    .trim()
    .split('\n')
    .map((line) => line.split(/\s+/))
    .map(([note = '', cents = '']) => [note, Number(cents)]);
}

let app: App;
let page: Page;
let complaints: string[];
let truth: [string, number][];
let low: [string, number][];
beforeAll(async () => {
  truth = record(scale, '--seed', '3', '--notes', 'd4-1,e4-1,f4-1,g4-1,a4-1,b-flat-4-1,a5-2');
  // What the microphone of the browser hears, over and over: three notes, and one in which a key lifts half-way.
  low = [
    ['b-flat-3-1', 4.2],
    ['b3-1', -11.5],
    ['c4-1', 0.6],
  ];
  const compass = new Map(compassOf(instrumentType('alto-saxophone') as InstrumentType).map((note) => [note.id, note]));
  const hertz = (id: string, cents: number) => (compass.get(id)?.near ?? 0) * 2 ** (cents / 1200);
  const blown = [
    ...low.map(([id, cents]) => ({ frequency: hertz(id, cents), seconds: 1.4 })),
    { frequency: hertz('a4-1', 0), seconds: 3, lifts: -14 },
  ];
  const wave = new wavefile.WaveFile();
  const sound = playedSound(blown, { family: 'saxophone', rate: 48_000, above: 30, seed: 5 });
  wave.fromScratch(
    1,
    48_000,
    '16',
    sound.map((sample) => Math.round(sample * 32_767)),
  );
  writeFileSync(held, wave.toBuffer());
  ({ app, page, complaints } = await startPage({
    browser: [
      '--use-fake-ui-for-media-stream',
      '--use-fake-device-for-media-stream',
      `--use-file-for-fake-audio-capture=${held}`,
    ],
  }));
});
afterAll(async () => {
  await app.close();
  rmSync(folder, { recursive: true, force: true });
});

const ticket = 'LL-350';
const pitchesOf = async (measure: string, of = ticket) =>
  (await entriesOf(app.address, of)).flatMap(({ kind, body }) => {
    const point = body['point'] as { group: string; part: string; measure: string } | undefined;
    return kind === 'reading' && point?.group === 'pitch' && point.measure === measure
      ? [{ part: point.part, value: body['value'] as number, gauge: (body['gauge'] as { id: string }).id, body }]
      : [];
  });

test('a figure is typed as it is read, sharp or flat; a slip is struck, and what is none is said', async () => {
  await openTicket(app.address, ticket, { scope: 'overhaul' });
  await page.goto(`${app.address}/jobs/${ticket}/sound/pitch`);
  await figureAsked(page);
  await typeFigures(page, '-12.5');
  await seeText(page, '−12.5 ¢');
  await typeFigures(page, '4 or so');
  await seeText(page, 'Type a figure');
  expect(await page.$eval('input[data-figure]', (field) => (field as HTMLInputElement).value)).toBe('4 or so');
  await page.keyboard.down('Control');
  await page.keyboard.press('z');
  await page.keyboard.up('Control');
  await until(page, () => !document.body.innerText.includes('−12.5 ¢'));
  await settled(page);
  expect(await pitchesOf('cents')).toMatchObject([{ part: 'b-flat-3-1', value: -12.5, gauge: 'pitch-meter' }]);
});

test('the microphone hears each note that is held, once, within a cent of what is played', async () => {
  await page.goto(`${app.address}/jobs/${ticket}/sound/pitch`);
  await figureAsked(page);
  // Nothing goes to a mouth before the cautions are read.
  await page.keyboard.press('m');
  await seeText(page, 'Read what stands above first');
  await enter(page, 'It is clean, and I have read this');
  await figureAsked(page);
  await page.keyboard.press('m');
  await seeText(page, 'Stop listening');
  for (const [note] of low) {
    await until(page, (part) => document.querySelector(`[data-note="${part}"]`)?.textContent?.includes('¢'), note);
  }
  await page.keyboard.press('m');
  await until(page, () => !document.body.innerText.includes('Stop listening'));
  await settled(page);
  const heard = (await pitchesOf('cents')).filter(({ gauge }) => gauge === 'microphone');
  expect(heard.map(({ part }) => part)).toEqual(low.map(([note]) => note));
  for (const [i, { value }] of heard.entries()) expect(Math.abs(value - (low[i]?.[1] ?? 99))).toBeLessThan(1);
  // One stroke takes a note back whole, and it is asked for again.
  await page.keyboard.down('Control');
  await page.keyboard.press('z');
  await page.keyboard.up('Control');
  await until(page, () => !document.querySelector('[data-note="c4-1"]')?.textContent?.includes('¢'));
  await settled(page);
  expect((await entriesOf(app.address, ticket)).filter(({ kind }) => kind === 'strike')).toHaveLength(3);
  // How much each wavered stands beside it.
  expect((await pitchesOf('spread')).filter(({ value }) => value < 2)).toHaveLength(low.length);
});

test('a recording that is dropped in is gone through, shown, and taken whole', async () => {
  const input = (await page.waitForSelector('input[type=file]')) as ElementHandle<HTMLInputElement>;
  await input.uploadFile(scale);
  await seeText(page, `${truth.length} notes held`);
  const before = (await pitchesOf('cents')).length;
  await press(page, `Take ${truth.length} notes`);
  await seeText(page, 'notes taken from the recording');
  await settled(page);
  const taken = (await pitchesOf('cents')).slice(before);
  expect(taken).toHaveLength(truth.length);
  expect(taken.map(({ part }) => part)).toEqual(truth.map(([note]) => note));
  for (const [i, { value }] of taken.entries()) expect(Math.abs(value - (truth[i]?.[1] ?? 99))).toBeLessThan(1.2);
  await seeText(page, 'The whole instrument stands');
});

test('what is no recording is said, and nothing is lost', async () => {
  const input = (await page.waitForSelector('input[type=file]')) as ElementHandle<HTMLInputElement>;
  await input.uploadFile(resolve(import.meta.dirname, '../../README.md'));
  await seeText(page, 'README.md is no recording this browser can read');
  expect((await pitchesOf('cents')).length).toBeGreaterThan(truth.length);
});

test('tuning: a hole whose notes are flat together is opened in small cuts, and read again', async () => {
  const own = 'LL-351';
  await openTicket(app.address, own, { practice: 'steady', scope: 'overhaul' });
  const write = (kind: string, body: object) =>
    send(`${app.address}/api/v1/jobs/${own}/entries`, {
      id: crypto.randomUUID(),
      kind,
      body,
      author: 'Juno Tam',
      benchTime: new Date().toISOString(),
    });
  const read = (part: string, value: number) =>
    write('reading', {
      point: { group: 'pitch', part, measure: 'cents', clock: 0 },
      value,
      typed: String(value),
      gauge: { id: 'pitch-meter', name: 'Pitch meter', resolution: 1, maxPermissibleError: 2 },
    });
  await page.goto(`${app.address}/jobs/${own}/sound/tuning`);
  await seeText(page, 'Read at least five notes');
  for (const [part, value] of [
    ['c4-1', 0],
    ['d4-1', 1],
    ['e4-1', -1],
    ['f4-1', 0],
    ['g4-1', 2],
    ['b-flat-4-1', -24],
    ['b-flat-5-2', -20],
  ] as const)
    expect((await read(part, value)).status).toBe(201);
  await page.goto(`${app.address}/jobs/${own}/sound/tuning`);
  await seeText(page, 'flat together');
  await seeText(page, 'at the upstream edge');
  // A partner that is not read yet is told all the same, and nothing is cut by more than is proposed.
  const fieldOf = () => page.waitForSelector('::-p-aria([name="I have opened it by"])');
  await (await fieldOf())?.type('3');
  await page.keyboard.press('Enter');
  await seeText(page, 'cut in small steps');
  await (await fieldOf())?.click({ count: 3 });
  await page.keyboard.type('0.1');
  await page.keyboard.press('Enter');
  // The cut has spoilt what was read: it is read again before anything more is said.
  await seeText(page, 'Read at least five notes');
  await settled(page);
  expect((await entriesOf(app.address, own)).at(-1)).toMatchObject({
    kind: 'pass',
    body: { pass: 'cut', amount: 0.1 },
  });
  const more = [0, 1, -1, 0, 2, -19, -16];
  for (const [i, part] of ['c4-1', 'd4-1', 'e4-1', 'f4-1', 'g4-1', 'b-flat-4-1', 'b-flat-5-2'].entries())
    await read(part, more[i] ?? 0);
  await page.goto(`${app.address}/jobs/${own}/sound/tuning`);
  await seeText(page, 'its notes moved +4.5 ¢ for each 0.10 mm');
});

test('the practice that leaves holes cuts nothing, and says what it would take', async () => {
  await page.goto(`${app.address}/jobs/LL-204/sound/tuning`);
  await seeText(page, 'leaves holes as they were made');
  await seeText(page, 'at the upstream edge');
  expect(await page.$$('::-p-aria([name="I have opened it by"])')).toEqual([]);
});

test('a line of the play test that fails is written down where it is likely to be, and is gone through again', async () => {
  // What was accepted on another day holds no longer: it is read again, here as at the pitches.
  await page.evaluate(() => localStorage.setItem('holotonos-cautions', JSON.stringify({ day: '2000-01-01', by: {} })));
  await page.goto(`${app.address}/jobs/${ticket}/sound/sheet`);
  await until(page, () => document.activeElement?.classList.contains('play-sheet'));
  await page.keyboard.press('m');
  await seeText(page, 'Read what stands above first');
  await enter(page, 'It is clean, and I have read this');
  await until(page, () => document.activeElement?.classList.contains('play-sheet'));
  // A held note in which a key lifts, while it listens.
  await page.keyboard.press('m');
  await seeText(page, 'Stop listening');
  await until(page, () => /It moved by −1[2-6] cents at once/.test(document.body.innerText));
  await page.keyboard.press('m');
  await until(page, () => !document.body.innerText.includes('Stop listening'));
  await page.keyboard.press('c');
  await seeText(page, 'Line 2 of');
  await page.keyboard.press('f');
  await seeText(page, 'It failed: fuzzy');
  await press(page, 'Suspect it: G♯');
  await seeText(page, 'is among the findings');
  await page.keyboard.press('Escape');
  await settled(page);
  const entries = await entriesOf(app.address, ticket);
  expect(entries.filter(({ kind }) => kind === 'tested').map(({ body }) => [body['result'], body['step']])).toEqual([
    ['clear', expect.closeTo(-14, -1)],
    ['fuzzy', undefined],
  ]);
  expect(entries.at(-1)).toMatchObject({ kind: 'finding', body: { status: 'suspected', severity: 2 } });
  // Work on it makes every line one to be gone through again.
  await send(`${app.address}/api/v1/jobs/${ticket}/entries`, {
    id: crypto.randomUUID(),
    kind: 'pass',
    body: { pass: 'cut', group: 'hole', part: 'e', amount: 0.1, disturbs: ['hole:e'] },
    author: 'Juno Tam',
    benchTime: new Date().toISOString(),
  });
  await seeText(page, 'clear, before');
});

test('no faults that axe can find, in both lights, on a phone too, and nothing complained', async () => {
  for (const view of ['pitch', 'tuning', 'sheet'])
    expect([view, await axeInBothLights(page, `${app.address}/jobs/LL-204/sound/${view}`)]).toEqual([view, []]);
  await page.setViewport({ width: 1024, height: 768 });
  for (const view of ['pitch', 'tuning', 'sheet', '']) {
    await page.goto(`${app.address}/jobs/LL-204/sound/${view}`);
    await page.waitForSelector('nav[aria-label="Sound"]');
    expect([view, await page.evaluate(() => document.documentElement.scrollWidth <= innerWidth)]).toEqual([view, true]);
  }
  await page.setViewport({ width: 390, height: 844 });
  for (const view of ['pitch', 'sheet']) {
    expect([view, await axeInBothLights(page, `${app.address}/jobs/LL-204/sound/${view}`)]).toEqual([view, []]);
    expect([view, await page.evaluate(() => document.documentElement.scrollWidth <= innerWidth)]).toEqual([view, true]);
  }
  expect(complaints).toEqual([]);
});
