import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, expect, jest, test } from '@jest/globals';
import type { Page } from 'puppeteer-core';
import {
  axeInBothLights,
  axeProblems,
  choose,
  fill,
  openTicket,
  press,
  seeText,
  send,
  startPage,
  tick,
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

const write = async (ticket: string, kind: string, body: object) => {
  const entry = { id: randomUUID(), kind, body, author: 'Juno Tam', benchTime: new Date().toISOString() };
  const answer = await send(`${app.address}/api/v1/jobs/${ticket}/entries`, entry);
  expect([kind, answer.status]).toEqual([kind, 201]);
};
const leak = (finding: string, part: string) =>
  ({ finding, kind: 'pad-leaking', part, severity: 2, status: 'confirmed' }) as const;
async function cured(ticket: string, part: string, minutes: number) {
  const finding = randomUUID();
  await openTicket(app.address, ticket);
  await write(ticket, 'finding', leak(finding, part));
  await write(ticket, 'operation-done', {
    ...{ operation: `reseat-pad:${part}`, title: 'Reseat the pad', minutes, disturbs: [], cures: [finding] },
  });
}

test('what put a fault right is told beside the next of its kind, and no longer when it is doubted', async () => {
  await cured('LL-401', 'g', 12);
  await cured('LL-402', 'g', 20);
  await openTicket(app.address, 'LL-403');
  await write('LL-403', 'finding', leak(randomUUID(), 'g'));
  const story = async () => {
    await page.goto(`${app.address}/jobs/LL-403/findings`);
    await page.waitForSelector('summary');
    await page.focus('summary');
    await until(page, () => document.activeElement?.tagName === 'SUMMARY');
    await page.keyboard.press('Enter');
  };
  await story();
  await seeText(page, 'Settled 2 times at this part since');
  await seeText(page, 'Put right by: Level and seat the pad (2 times; 16 min, 12 to 20)');
  await page.goto(`${app.address}/shop/learned`);
  await enter(page, 'Pad leaking, saxophone 2 times');
  await seeText(page, 'Settled 2 times since');
  await press(page, 'Put aside: Pad leaking, G, LL-402');
  await fill(page, 'Why is it doubted?', 'the lamp had slipped');
  await page.keyboard.press('Enter');
  await seeText(page, 'Because: the lamp had slipped');
  await story();
  await seeText(page, 'Settled once at this part since');
  await page.goto(`${app.address}/shop/learned`);
  await press(page, 'Take up again: Pad leaking, G, LL-402');
  await seeText(page, 'Nothing: all that was learned is counted in.');
});

test('a pass that is doubted teaches nothing until it is taken up again', async () => {
  await page.goto(`${app.address}/jobs/LL-201/measure?group=body-line&part=body`);
  await tick(page, '::-p-text(Learn nothing from it)');
  await fill(page, 'Why is it doubted?', 'the block slipped');
  await page.keyboard.press('Enter');
  await seeText(page, 'Nothing is learned from it: the block slipped.');
  await settled(page);
  await page.goto(`${app.address}/shop/learned`);
  await seeText(page, '(one pass since');
  await page.goto(`${app.address}/jobs/LL-201/measure?group=body-line&part=body`);
  await tick(page, '::-p-text(Learn from it again)');
  await until(page, () => !document.body.innerText.includes('the block slipped.'));
});

test('one key from any page finds what was written down; the beginning of a word is enough', async () => {
  await page.goto(`${app.address}/week`);
  await page.waitForSelector('#main');
  await page.keyboard.press('/');
  await until(page, () => location.pathname === '/find' && document.activeElement?.getAttribute('name') === 'q');
  await page.keyboard.type('low c dent');
  await page.keyboard.press('Enter');
  await seeText(page, 'Because: The body is open for straightening anyway');
  await until(page, () => document.querySelectorAll('.found li').length > 2);
  await choose(page, 'select[name=in]', 'findings');
  await until(page, () => location.search.includes('in=findings'));
  await until(page, () => [...document.querySelectorAll('.found li')].every((li) => li.textContent?.includes('Dent')));
  await fill(page, 'Owner, serial, maker, part, fault, or any words written down', 'nowhere to be seen');
  await page.keyboard.press('Enter');
  await seeText(page, 'Nothing answers to that.');
  expect(await axeInBothLights(page, `${app.address}/find?q=dent`)).toEqual([]);
});

test('a check-up that is due stands on the bench; its owner is reminded once, in one press', async () => {
  await openTicket(app.address, 'LL-404');
  const day = new Date(Date.now() + 10 * 86_400_000).toISOString().slice(0, 10);
  await write('LL-404', 'sign-off', { ownerCautions: ['Wipe it dry.'], checkUp: day });
  await page.goto(`${app.address}/`);
  await enter(page, '1 owner to remind of a check-up');
  await seeText(page, 'Nobody has reminded the owner yet.');
  await page.waitForSelector('select[aria-label="How the owner of LL-404 was reminded"]');
  expect(await axeInBothLights(page, `${app.address}/check-ups`)).toEqual([]);
  await choose(page, 'select[aria-label="How the owner of LL-404 was reminded"]', 'call');
  await press(page, 'Reminded: LL-404');
  await until(page, () => /Reminded .* by telephone\./.test(document.body.innerText));
  await page.goto(`${app.address}/`);
  await seeText(page, 'Check-ups to come');
});

test('an owner is forgotten: the name is gone from the bench, the instrument stays', async () => {
  await openTicket(app.address, 'LL-405', { owner: 'Old Ned of the weir' });
  await page.goto(`${app.address}/shop/owners?find=weir`);
  await enter(page, 'Forget …: Old Ned of the weir');
  await fill(page, 'Type “Old Ned of the weir” to go on', 'Old Ned of the weir');
  expect(await axeProblems(page)).toEqual([]);
  await page.keyboard.press('Enter');
  await seeText(page, 'They are forgotten. LL-405 stay');
  await page.goto(`${app.address}/?find=LL-405`);
  await seeText(page, '(forgotten)');
  await page.goto(`${app.address}/find?q=weir`);
  await seeText(page, 'Nothing answers to that.');
});

test('no faults that axe can find, in both lights, on a phone too, and nothing complained', async () => {
  const view = `${app.address}/shop/learned`;
  expect(await axeInBothLights(page, view)).toEqual([]);
  for (const [width, height, path] of [
    [1024, 768, '/shop/learned'],
    [390, 844, '/shop/learned'],
    [390, 844, '/find?q=bell'],
    [390, 844, '/check-ups'],
    [390, 844, '/shop/owners'],
  ] as const) {
    await page.setViewport({ width, height });
    await page.goto(`${app.address}${path}`);
    await page.waitForSelector('#main');
    expect([width, await page.evaluate(() => document.documentElement.scrollWidth <= innerWidth)]).toEqual([
      width,
      true,
    ]);
  }
  expect(await axeInBothLights(page, view)).toEqual([]);
  expect(complaints).toEqual([]);
});
