#!/usr/bin/env node
// Takes every picture of docs/screenshots anew from the demo: a database and a server of their own, headless Chromium.
// node scripts/screenshots.mjs [name …]
import { join } from 'node:path';
import puppeteer from 'puppeteer-core';
import { withServer } from '../bench/own-server.mjs';
import { chromiumArgs, chromiumPath } from '../bin/lib/chromium.mjs';
import { root } from '../bin/lib/paths.mjs';

/** Each picture: its address, and what is done before it is taken. */
const views = {
  'bench': { path: '/' },
  'week': { path: '/week', settle: 6000 },
  'job': { path: '/jobs/LL-201' },
  'survey': { path: '/jobs/LL-203/survey' },
  'strip-down': { path: '/jobs/LL-201/strip' },
  'pads-leak': { path: '/jobs/LL-201/measure?group=pad&part=e', leak: true },
  'body-line': { path: '/jobs/LL-201/measure?group=body-line&part=body' },
  'sound': { path: '/jobs/LL-202/sound', press: 'It is clean, and I have read this', settle: 2000 },
  'regulation': { path: '/jobs/LL-203/regulation', keys: ['ArrowDown', 'ArrowDown', '4', 'Enter', 'd'], settle: 5000 },
  'piece': { path: '/pieces', press: 'Take it up', keys: ['ArrowDown', 'ArrowDown', 'p', 'm', '<', '<', '<'] },
  'stock': { path: '/stock' },
  'pads-set': { path: '/jobs/LL-203/pads?show=set' },
  'findings': { path: '/jobs/LL-201/findings', to: '.photo-swipe' },
  'plan': { path: '/jobs/LL-201/plan' },
  'estimate': { path: '/jobs/LL-201/estimate' },
  'record': { path: '/jobs/LL-201/record' },
  'instrument': { path: '/jobs/LL-204/instrument' },
  'pitch': { path: '/jobs/LL-204/sound/pitch', press: 'It is clean, and I have read this', settle: 2000 },
  'play-test': {
    path: '/jobs/LL-202/sound/sheet',
    press: 'It is clean, and I have read this',
    settle: 1500,
  },
};
const wanted = process.argv.slice(2);
const strange = wanted.filter((name) => !Object.hasOwn(views, name));
if (strange.length > 0) {
  console.error(`There is no picture “${strange.join('”, “')}”. There are: ${Object.keys(views).join(', ')}.`);
  process.exit(2);
}

await withServer(async ({ address }) => {
  const browser = await puppeteer.launch({
    executablePath: chromiumPath(),
    args: chromiumArgs,
  });
  try {
    for (const [name, { path, leak = false, settle = 1500, press, keys = [], to }] of Object.entries(views)) {
      if (wanted.length > 0 && !wanted.includes(name)) continue;
      const page = await browser.newPage();
      await page.setViewport({ width: 1280, height: 800 });
      await page.evaluateOnNewDocument(
        (light) => {
          localStorage.setItem('holotonos-light', light);
          localStorage.setItem('holotonos-author', 'Perrin Oake');
          // The piece that is laid out is the same each time.
          let drawn = 7;
          Math.random = () => (drawn = (drawn * 16807) % 2147483647) / 2147483647;
        },
        leak ? 'leak' : 'day',
      );
      const response = await page.goto(`${address}${path}`, { waitUntil: 'load' });
      if (!response?.ok()) throw new Error(`${path} answered ${response?.status()}`);
      // What a worker answers and what fades in is there by then.
      await new Promise((wait) => setTimeout(wait, settle));
      if (press) {
        // Cautions that were read for a picture before this one are read.
        const button = await page.$(`::-p-aria([name="${press}"][role="button"])`);
        if (!button && !press.startsWith('It is clean'))
          throw new Error(`${path} has nothing to press called “${press}”`);
        await button?.click();
        await new Promise((wait) => setTimeout(wait, settle));
      }
      for (const key of keys) {
        await page.keyboard.press(key);
        // A page answers one key before it hears the next.
        await new Promise((wait) => setTimeout(wait, 400));
      }
      if (keys.length > 0) await new Promise((wait) => setTimeout(wait, settle));
      if (to) {
        await page.$eval(to, (found) => found.scrollIntoView({ block: 'center', behavior: 'instant' }));
        await new Promise((wait) => setTimeout(wait, settle));
      }
      await page.screenshot({ path: join(root, 'docs/screenshots', `${name}.png`) });
      console.log(name);
      await page.close();
    }
  } finally {
    await browser.close();
  }
});
