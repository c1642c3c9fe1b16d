import { afterAll, beforeAll, expect, jest, test } from '@jest/globals';
import type { Page } from 'puppeteer-core';
import {
  axeInBothLights,
  axeProblems,
  choose,
  entriesOf,
  fill,
  openTicket,
  seeText,
  startPage,
  until,
  type App,
} from './app';
import { enter, settled } from './measuring';

jest.setTimeout(300_000);

let app: App;
let page: Page;
let complaints: string[] = [];
beforeAll(async () => {
  ({ app, page, complaints } = await startPage());
});
afterAll(() => app.close());

const desk = (ticket: string) => `${app.address}/jobs/${ticket}/regulation`;
/** The page runs here: keys are heard. */
const ready = () => until(page, () => document.activeElement?.classList.contains('survey-console'));
const atLook = (words: string) =>
  until(page, (wanted) => document.querySelector('.survey-place')?.textContent?.startsWith(wanted), words);
const ofKind = async (ticket: string, kind: string) =>
  (await entriesOf(app.address, ticket)).filter((entry) => entry.kind === kind).map(({ body }) => body);

test('a flute by keyboard: a late follower, a driver its neighbours hold off; a helper yields, is set and asked again', async () => {
  const ticket = 'REG-1';
  await openTicket(app.address, ticket, { instrumentType: 'concert-flute', family: 'flute' });
  await page.goto(desk(ticket));
  await ready();
  await seeText(page, 'Rules: nobody has looked yet');
  await atLook('A key to B♭ key');
  // What seals is told, and what is only assumed is said to be.
  expect(await page.$eval('.linkage', (drawing) => drawing.getAttribute('aria-label'))).toContain('A key seals');
  await seeText(page, 'Assumed by the family until it is read');
  await page.keyboard.press('e');
  await atLook('F key to B♭ key');
  await page.keyboard.press('t');
  await seeText(page, 'By what was seen every rule holds');
  await seeText(page, 'by 2 of ');
  await atLook('F key to F♯ key');
  // A figure goes to its field by itself; a wrong one is said and kept.
  await page.keyboard.type('0.0x');
  await page.keyboard.press('Enter');
  await until(page, () => (document.querySelector('[role=alert]')?.textContent ?? '') !== '');
  for (let i = 0; i < 4; i += 1) await page.keyboard.press('Backspace');
  await page.keyboard.type('0.08');
  await page.keyboard.press('Enter');
  await atLook('E key to F♯ key');
  await seeText(page, 'Turn the screw');
  await seeText(page, 'F closes F♯: neither holds the other open.');
  await page.keyboard.press('e');
  await page.keyboard.press('e');
  for (let i = 0; i < 40; i += 1) {
    if (await page.$eval('.survey-place', (place) => place.textContent.startsWith('D key to F♯ key with'))) break;
    await page.keyboard.press('ArrowDown');
  }
  await atLook('D key to F♯ key with');
  await page.keyboard.press('d');
  await seeText(page, 'with all its fingers down every pad seals');
  await settled(page);
  expect(await ofKind(ticket, 'tick')).toContainEqual(
    expect.objectContaining({ part: 'd-to-f-sharp', says: 'driver-free', held: ['f-key', 'e-key'] }),
  );
  expect(await ofKind(ticket, 'reading')).toMatchObject([{ value: 0.08, point: { measure: 'lateness' } }]);
  expect(await axeProblems(page)).toEqual([]);
  // Shown before anything is touched, then done, logged, and asked again.
  await seeText(page, 'Show it on the picture');
  await enter(page, 'Show it on the picture');
  await seeText(page, 'Show it as it is');
  await enter(page, 'Done: F key to F♯ key');
  await seeText(page, 'Look at it again');
  await atLook('F key to F♯ key');
  await settled(page);
  const [set] = await ofKind(ticket, 'adjustment');
  expect(set).toMatchObject({ link: 'f-to-f-sharp', steps: expect.any(Number), change: expect.any(Number) });
  expect(Number(set?.steps)).toBeLessThan(0);
  await page.keyboard.press('e');
  await settled(page);
  expect((await ofKind(ticket, 'tick')).filter(({ part }) => part === 'f-to-f-sharp')).toHaveLength(1);
  // In the file of looks it stands with the keys that were held.
  expect(await (await fetch(`${app.address}/api/v1/jobs/${ticket}/looks`)).text()).toContain('f-key+e-key');
});

test('a rule is wanted otherwise: in this job, in the shop, and as it was; the record says why', async () => {
  const ticket = 'REG-4';
  await openTicket(app.address, ticket, { instrumentType: 'concert-flute', family: 'flute' });
  await page.goto(desk(ticket));
  await ready();
  for (let i = 0; i < 40; i += 1) {
    if (await page.$eval('.survey-place', (place) => place.textContent.startsWith('D key to F♯ key with'))) break;
    await page.keyboard.press('ArrowDown');
  }
  // Held longer, a finger presses harder.
  const force = () => page.$eval('input[type=range]', (slider) => Number((slider as HTMLInputElement).value));
  const light = await force();
  // It waits until the picture stands still.
  await page.locator('.cup-now.pressed circle').hover();
  await page.mouse.down();
  await until(page, (was) => Number(document.querySelector<HTMLInputElement>('input[type=range]')?.value) > was, light);
  await page.mouse.up();
  await choose(page, 'select[id$="-film"]', '0.05');
  await page.focus('.survey-console');
  await page.keyboard.press('d');
  // What cannot hold is left with a word the owner can read.
  await page.waitForSelector('[aria-label^="Leave it as a compromise"]');
  const leave = await page.$eval('[aria-label^="Leave it as a compromise"]', (button) =>
    button.getAttribute('aria-label'),
  );
  await enter(page, String(leave));
  await until(page, () => document.querySelector('.attention input') !== null);
  await page.focus('.attention input');
  await page.keyboard.type('The rod gives a little.');
  await page.keyboard.press('Enter');
  await seeText(page, 'Left as a compromise: The rod gives a little.');
  await settled(page);
  expect(await ofKind(ticket, 'rule')).toMatchObject([{ accepted: true, reason: 'The rod gives a little.' }]);
  // The helper yields: now the pair does not hold, and the record says why.
  const done = await page.$eval('.turns button', (button) => button.getAttribute('aria-label'));
  await enter(page, String(done));
  await seeText(page, 'Look at it again');
  await settled(page);
  await page.goto(`${app.address}/jobs/${ticket}/record`);
  await seeText(page, 'How the keys close together');
  await seeText(page, 'Because: The rod gives a little.');
  await page.goto(desk(ticket));
  await ready();
  const words = 'A closes B♭.';
  const open = async (name: string) => {
    // It stays open, whatever is changed in it.
    if (!(await page.$('details.sheet[open]'))) {
      await (await page.waitForSelector('details.sheet summary'))?.focus();
      await page.keyboard.press('Enter');
    }
    await page.waitForSelector('details.sheet[open]');
    await enter(page, `Change: ${name}`);
    await until(page, () => document.querySelector('.rule-form') !== null);
  };
  await open(words);
  await enter(page, 'Keep it so');
  await seeText(page, 'Say why');
  await fill(page, 'Why', 'His fingers are strong');
  await fill(page, 'to, mm', '0.1');
  expect(await axeProblems(page)).toEqual([]);
  await enter(page, 'Keep it so');
  await seeText(page, 'Changed here: His fingers are strong');
  await settled(page);
  expect((await ofKind(ticket, 'rule')).at(-1)).toMatchObject({ rule: 'a-with-b-flat', range: [0, 0.1] });
  // Words that were changed once stand when something else of the rule is changed.
  const own = 'A closes B♭ as it lands.';
  await open(words);
  await fill(page, 'In words', own);
  await enter(page, 'Keep it so');
  await seeText(page, own);
  await settled(page);
  await open(own);
  await fill(page, 'to, mm', '0.12');
  await enter(page, 'Keep it so');
  await until(page, () => document.querySelector('.rule-form') === null);
  await settled(page);
  expect((await ofKind(ticket, 'rule')).at(-1)).toMatchObject({ words: own, range: [0, 0.12] });
  await enter(page, `As it was: ${own}`);
  await until(page, () => !document.body.innerText.includes('His fingers are strong'));
  await open(words);
  await fill(page, 'Why', 'We like it so');
  await page.$eval('input[id$="-shop"]', (radio) => (radio as HTMLInputElement).click());
  await enter(page, 'Keep it so');
  await seeText(page, 'The shop wants it so: We like it so');
  await page.goto(`${app.address}/shop`);
  await seeText(page, 'Rules of regulation');
  await seeText(page, 'We like it so');
  // Its words come with the instruments that ship, after the page.
  const rule = await page.waitForSelector('[aria-label*="A closes B♭"]');
  const back = await rule?.evaluate((button) => button.getAttribute('aria-label'));
  await enter(page, String(back));
  await seeText(page, 'All as they come with the instruments.');
});

test('a clarinet: two long levers from both hands, and the bridge cork in its own words', async () => {
  const ticket = 'REG-2';
  await openTicket(app.address, ticket, { instrumentType: 'b-flat-clarinet', family: 'clarinet' });
  await page.goto(desk(ticket));
  await ready();
  await until(page, () => document.querySelectorAll('.part-list button').length === 7);
  await page.focus('.survey-console');
  await page.evaluate(() => {
    for (const button of document.querySelectorAll<HTMLButtonElement>('.part-list button'))
      if (button.textContent.includes('bridge') || button.textContent.includes('Bridge')) button.click();
  });
  await until(page, () => /ridge/.test(document.querySelector('.survey-place')?.textContent ?? ''));
  await page.focus('.survey-console');
  // Several keys are held at once, by number.
  const held = () => page.$$eval('.key-toggles [aria-pressed=true]', (keys) => keys.length);
  const before = await held();
  await page.keyboard.down('Shift');
  await page.keyboard.press('Digit1');
  await page.keyboard.press('Digit2');
  await page.keyboard.up('Shift');
  await until(page, (count) => document.querySelectorAll('.key-toggles [aria-pressed=true]').length !== count, before);
  const force = () => page.$eval('input[type=range]', (slider) => Number((slider as HTMLInputElement).value));
  const light = await force();
  await page.keyboard.press(']');
  await until(page, (was) => Number(document.querySelector<HTMLInputElement>('input[type=range]')?.value) > was, light);
  await page.focus('.survey-console');
  await page.keyboard.press('d');
  await seeText(page, 'Shave the cork by about');
  await settled(page);
  expect(await ofKind(ticket, 'tick')).toMatchObject([{ part: 'lower-ring-to-bridge-ring', says: 'driver-free' }]);
});

test('an instrument without links says so; both lights are readable; nobody complains', async () => {
  const ticket = 'REG-3';
  await openTicket(app.address, ticket, { instrumentType: 'simple-clarinet', family: 'clarinet' });
  await page.goto(desk(ticket));
  await seeText(page, 'there is nothing to regulate between them');
  expect(await axeInBothLights(page, desk('LL-203'))).toEqual([]);
  for (const [width, height] of [
    [1024, 768],
    [390, 844],
  ] as const) {
    await page.setViewport({ width, height });
    await page.goto(desk('LL-203'));
    await ready();
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(width);
  }
  // Cups come first, springs last.
  await seeText(page, 'Cups first');
  await page.evaluate(() => [...document.querySelectorAll<HTMLButtonElement>('.part-list button')].at(-1)?.click());
  await seeText(page, 'Springs last');
  await page.setViewport({ width: 1280, height: 800 });
  expect(complaints).toEqual([]);
});
