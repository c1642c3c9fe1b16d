import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, expect, jest, test } from '@jest/globals';
import type { ElementHandle, KeyInput, Page } from 'puppeteer-core';
import sharp from 'sharp';
import { openTicket, startPage, until, type App } from './app';
import { settled } from './measuring';

jest.setTimeout(240_000);

let app: App;
let page: Page;
let folder: string;
const told: string[] = [];
beforeAll(async () => {
  folder = mkdtempSync(join(tmpdir(), 'holotonos-acts-'));
  ({ app, page } = await startPage());
  await page.goto(app.address);
  await page.evaluate(() => localStorage.setItem('holotonos-author', 'Juno Tam'));
  await openTicket(app.address, 'ACT-1', { scope: 'overhaul' });
  await openTicket(app.address, 'ACT-2', { scope: 'overhaul', instrumentType: 'concert-flute', family: 'flute' });
  await openTicket(app.address, 'ACT-3', { scope: 'overhaul', instrumentType: 'concert-flute', family: 'flute' });
});
afterAll(async () => {
  await app.close();
  rmSync(folder, { recursive: true, force: true });
  // For docs/decisions: ACTS=1 says what was counted.
  if (process.env.ACTS) process.stderr.write(`${told.join('\n')}\n`);
});

/** A hand at the keyboard, and now and then at the mouse: what it does is counted. */
const hand = () => {
  const counted = { strokes: 0, clicks: 0 };
  const press = async (...keys: string[]) => {
    for (const key of keys) {
      const [last = '', ...held] = key.split('+').reverse();
      for (const each of held) await page.keyboard.down(each as KeyInput);
      await page.keyboard.press(last as KeyInput);
      for (const each of held) await page.keyboard.up(each as KeyInput);
      counted.strokes += 1;
    }
  };
  const type = async (text: string) => {
    await page.keyboard.type(text);
    counted.strokes += text.length;
  };
  const click = async (query: string) => {
    const found = (await page.waitForSelector(query, { visible: true })) as ElementHandle<HTMLElement>;
    await until(page, (element) => !(element as HTMLButtonElement | null)?.disabled, found);
    await found.evaluate((element) => element.scrollIntoView({ block: 'center' }));
    await found.click();
    counted.clicks += 1;
  };
  return { counted, press, type, click };
};
type Hand = ReturnType<typeof hand>;
/** Figures one after the other into the field that asks for them. */
const read = async ({ press, type }: Hand, all: readonly string[]) => {
  await until(page, () => document.activeElement?.matches('input[data-figure]'));
  for (const figure of all) {
    await type(figure);
    await press('Enter');
  }
};
const named = (name: string) => `::-p-aria([name="${name}"])`;
const sees = (text: string) => until(page, (wanted) => document.body.innerText.includes(wanted), text);

interface Act {
  name: string;
  from: string;
  /** what the same costs with a pencil: a stroke for each character, sign and tick that is written */
  paper: number;
  play: (of: Hand) => Promise<void>;
}
const figures = (...all: string[]) => all.join('').length + all.length;
const receiver = ['24.86', '24.88', '24.90', '24.91'];
const rim = ['0', '0.02', '0.04', '0.02', '0', '0.02', '0.04', '0.02'];

const acts: readonly Act[] = [
  {
    name: 'a new ticket',
    from: '/',
    // Its number, the owner, the instrument, what is wrong, each on a line of its own.
    paper: 'ACT-9'.length + 'The bargees’ choir'.length + 'Alto saxophone'.length + 'Nothing below G'.length + 4,
    play: async ({ click, type, press }) => {
      await click(named('New ticket'));
      await click('input[name=ticket]');
      await type('ACT-9');
      await click('input[name=owner]');
      await type('The bargees’ choir');
      await press('Enter');
      await sees('ACT-9 · Alto saxophone');
    },
  },
  {
    name: 'the survey of a clean flute',
    from: '/jobs/ACT-2',
    // Seven stations by name, a tick each.
    paper: 7 + 7,
    play: async ({ press }) => {
      await press('Alt+2');
      await until(page, () => document.activeElement?.classList.contains('survey-console'));
      for (let station = 0; station < 7; station += 1) await press('PageDown');
      await sees('done');
    },
  },
  {
    name: '24 pads by light',
    from: '/jobs/ACT-1/look?group=pad',
    paper: 24,
    play: async ({ press }) => {
      await until(page, () => document.querySelectorAll('.looks-list li').length === 24);
      for (let pad = 0; pad < 24; pad += 1) await press(pad === 7 ? 'l' : 'n');
      await sees('no light');
    },
  },
  {
    name: 'a rim',
    from: '/jobs/ACT-1/measure?group=rim&part=e',
    paper: 1 + figures(...rim),
    play: async (of) => {
      await read(of, rim);
      await sees('Dress the high spots');
    },
  },
  {
    name: 'a joint',
    from: '/jobs/ACT-1/measure?group=joint&part=neck-receiver',
    paper: 1 + figures(...receiver),
    play: async (of) => {
      await read(of, receiver);
      await until(page, () => document.querySelectorAll('.readings tbody tr').length >= 4);
    },
  },
  {
    name: 'one key fitted: looked over, no figure needed',
    from: '/jobs/ACT-1/look?group=hinge',
    paper: 2,
    play: async ({ press }) => {
      await until(page, () => document.querySelector('.looks-list li') !== null);
      await press('n');
      await until(page, () => document.querySelector('[data-testid=last-look] strong') !== null);
    },
  },
  {
    name: 'a step done',
    from: '/jobs/ACT-3/plan',
    // A tick, the time it took and initials.
    paper: 1 + 2 + 2,
    play: async ({ press, click }) => {
      await click('.plan-desk .step-row');
      await press('d');
      await sees('Done: ');
    },
  },
  {
    name: 'a photo pinned to its place',
    from: '/jobs/ACT-2/survey',
    // Its number on the film and in the book, with the place.
    paper: 2 + 4,
    play: async ({ press, counted }) => {
      await until(page, () => document.activeElement?.classList.contains('survey-console'));
      await press('PageUp', 'PageUp');
      await until(page, () => document.querySelector('.fault-keys kbd') !== null);
      const key = await page.$eval('.fault-keys kbd', (kbd) => kbd.textContent.trim());
      await press(key);
      const input = (await page.waitForSelector('.last-finding input[type=file]')) as ElementHandle<HTMLInputElement>;
      const file = join(folder, 'place.jpg');
      writeFileSync(
        file,
        await sharp({ create: { width: 90, height: 60, channels: 3, background: '#888' } })
          .jpeg()
          .toBuffer(),
      );
      // The button, and the shutter.
      counted.clicks += 2;
      await input.uploadFile(file);
      await page.waitForSelector('.finding-here .photo-row button');
    },
  },
  {
    name: 'a set of pads chosen',
    from: '/jobs/ACT-2/pads?show=set',
    // A line a cup: its size and its thickness.
    paper: 17 * '17.5 x 2.8'.length,
    play: async ({ press }) => {
      await sees('Take the set');
      await page.focus('select[aria-label^="Pad of"]');
      await press('Control+Enter');
      await sees('The set is taken');
    },
  },
  {
    name: 'a pair regulated',
    from: '/jobs/ACT-2',
    // How late, what was turned, looked at again.
    paper: figures('0.08', '1/4 in') + 1,
    play: async ({ press, type, click }) => {
      await press('Alt+8');
      await until(page, () => document.querySelector('.survey-place')?.textContent?.startsWith('A key'));
      await press('ArrowDown', 'ArrowDown');
      await until(page, () => document.querySelector('.survey-place')?.textContent?.startsWith('F key to F♯'));
      await type('0.08');
      await press('Enter');
      await click(named('Done: F key to F♯ key'));
      await sees('Look at it again');
    },
  },
  {
    name: 'the record signed',
    from: '/jobs/ACT-3',
    paper: 'All of it plays.'.length + 'Juno Tam'.length,
    play: async ({ press, type, click }) => {
      await press('Alt+0');
      await click(named('In a few words'));
      await type('All of it plays.');
      await click(named('Sign the record'));
      await sees('Signed by Juno Tam');
    },
  },
  {
    name: 'last year’s job of the same kind found',
    from: '/',
    // What is looked for, and ten leaves turned in a drawer.
    paper: 'alto sax'.length + 10,
    play: async ({ press, type, click }) => {
      await press('/');
      await until(page, () => document.activeElement?.getAttribute('name') === 'q');
      await type('alto sax');
      await press('Enter');
      await until(page, () => document.querySelector('#main a[href^="/jobs/LL-"]') !== null);
      await click('#main a[href^="/jobs/LL-"]');
      await until(page, () => location.pathname.startsWith('/jobs/LL-'));
    },
  },
];

test.each(acts.map((act) => [act.name, act] as const))(
  '%s: costs no more than paper and two strokes, and leaves the work its room',
  async (name, { from, paper, play }) => {
    await page.goto(`${app.address}${from}`);
    await page.waitForSelector('#main');
    const of = hand();
    const began = performance.now();
    await play(of);
    const seconds = (performance.now() - began) / 1000;
    const room = await page.evaluate(() => {
      const height = (query: string) => document.querySelector<HTMLElement>(query)?.offsetHeight ?? 0;
      return innerHeight - height('.band-strip, .masthead') - height('.band-readout');
    });
    await settled(page);
    const { strokes, clicks } = of.counted;
    told.push(`| ${name} | ${strokes} | ${clicks} | ${paper} | ${seconds.toFixed(1)} | ${room} |`);
    expect([name, strokes + clicks, strokes + clicks <= paper + 2]).toEqual([name, strokes + clicks, true]);
    expect([name, room, room >= 560]).toEqual([name, room, true]);
  },
);
