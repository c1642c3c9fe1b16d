import { afterAll, beforeAll, expect, jest, test } from '@jest/globals';
import type { Page } from 'puppeteer-core';
import { axeInBothLights, axeProblems, entriesOf, openTicket, seeText, startApp, until, type App } from './app';
import { enter, settled } from './measuring';

jest.setTimeout(300_000);

let app: App;
let page: Page;
const complaints: string[] = [];
beforeAll(async () => {
  app = await startApp();
  page = await app.page();
  page.on('pageerror', (error) => complaints.push((error as Error).message));
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
  await seeText(page, 'By what was seen every rule holds');
  await atLook('A key to B♭ key');
  // What seals is told, and what is only assumed is said to be.
  expect(await page.$eval('.linkage', (drawing) => drawing.getAttribute('aria-label'))).toContain('A key seals');
  await seeText(page, 'Assumed by the family until it is read');
  await page.keyboard.press('e');
  await atLook('F key to B♭ key');
  await page.keyboard.press('t');
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
  await page.setViewport({ width: 390, height: 844 });
  await page.goto(desk('LL-203'));
  await ready();
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
  await page.setViewport({ width: 1280, height: 800 });
  expect(complaints).toEqual([]);
});
