#!/usr/bin/env node
// Takes every picture of docs/screenshots anew from the demo: a database and a server of their own, headless Chromium.
// node scripts/screenshots.mjs [name …]
import { randomUUID } from 'node:crypto';
import { join } from 'node:path';
import puppeteer from 'puppeteer-core';
import { giveKeys } from '../bench/own-keys.mjs';
import { withServer } from '../bench/own-server.mjs';
import { chromiumLaunch } from '../bin/lib/chromium.mjs';
import { root } from '../bin/lib/paths.mjs';

/** Each picture: its address, and what is done before it is taken. */
const views = {
  'bench': { path: '/' },
  'week': { path: '/week', settle: 6000 },
  // Its map open, with the instrument as it stands.
  'job': { path: '/jobs/LL-201', press: ['Map', 'Picture'], settle: 700 },
  'survey': { path: '/jobs/LL-203/survey' },
  'strip-down': { path: '/jobs/LL-201/strip' },
  'pads-leak': { path: '/jobs/LL-201/measure?group=pad&part=e', leak: true },
  'regulation': { path: '/jobs/LL-203/regulation', keys: ['ArrowDown', 'ArrowDown', '4', 'Enter', 'd'], settle: 5000 },
  'piece': { path: '/pieces', press: 'Take it up', keys: ['ArrowDown', 'ArrowDown', 'p', 'm', '<', '<', '<'] },
  'stock': { path: '/stock' },
  'pads-set': { path: '/jobs/LL-203/pads?show=set' },
  'findings': { path: '/jobs/LL-201/findings', to: '.photo-swipe' },
  'plan': { path: '/jobs/LL-201/plan' },
  'estimate': { path: '/jobs/LL-201/estimate' },
  'record': { path: '/jobs/LL-201/record' },
  'learned': { path: '/shop/learned', press: 'Rim not flat, saxophone 2 times' },
  'pitch': { path: '/jobs/LL-204/sound/pitch', press: 'It is clean, and I have read this', settle: 2000 },
  // The saxophone has gone home, and comes back a year later: what has moved since.
  'history': {
    before: async ({ address, query }) => {
      const [{ body: intake }] = await query(
        "select body from entries join jobs on jobs.id = job_id where ticket = 'LL-201' and kind = 'intake'",
      );
      const write = async (ticket, kind, body) => {
        const entry = { id: randomUUID(), kind, body, author: 'Perrin Oake', benchTime: new Date().toISOString() };
        const to = kind === 'intake' ? '' : `/${ticket}/entries`;
        const { status } = await ask(`${address}/api/v1/jobs${to}`, entry);
        if (status !== 201) throw new Error(`${kind} was answered with ${status}`);
      };
      const care = ['Wipe the pads dry before it goes into the case.'];
      await write('LL-201', 'sign-off', { ownerCautions: care, summary: 'Straight, tight and even again.' });
      const { serial, maker, made, instrumentType, family, unit } = intake;
      const again = { serial, maker, made, instrumentType, family, unit };
      const asked = { owner: 'Brackwater lock-keepers’ band', practice: 'stage', scope: 'repair' };
      await write('LL-206', 'intake', { ticket: 'LL-206', ...again, ...asked, complaint: 'Low notes have gone airy.' });
      const gauge = { id: 'feeler-film', name: 'Feeler film set', resolution: 0.01, maxPermissibleError: 0.004 };
      for (const part of ['e', 'f', 'f-sharp', 'g'])
        for (let clock = 0; clock < 360; clock += 45) {
          const value = part === 'f' && clock > 90 && clock < 270 ? 0.09 : 0.02;
          const point = { group: 'pad', part, measure: 'gap', clock };
          await write('LL-206', 'reading', { point, value, typed: String(value), gauge });
        }
      return '/jobs/LL-206';
    },
  },
  'owner-page': {
    size: { width: 390, height: 844 },
    // The pictures that were taken of the flute, and its estimate.
    before: async ({ address, query }) => {
      const rows = await query(
        "select body->>'photo' as id from entries join jobs on jobs.id = job_id where ticket = 'LL-203' and kind = 'photo'",
      );
      const link = await ask(`${address}/api/v1/jobs/LL-203/owner-link?author=Ottoline%20Marsh`, {
        until: '2027-12-31',
        photos: rows.map(({ id }) => id),
      });
      return (await link.json()).path;
    },
  },
  // Last: from then on nobody comes in without a key.
  'sign-in': {
    press: 'Ottoline Marsh is at the bench: change hands',
    before: async ({ address, page }) => {
      await giveKeys(page, address);
      return '/jobs/LL-202/plan';
    },
  },
};
const ask = (url, body) =>
  fetch(url, { method: 'POST', headers: { 'Content-Type': 'application/json' }, body: JSON.stringify(body) });
const wanted = process.argv.slice(2);
const strange = wanted.filter((name) => !Object.hasOwn(views, name));
if (strange.length > 0) {
  console.error(`There is no picture “${strange.join('”, “')}”. There are: ${Object.keys(views).join(', ')}.`);
  process.exit(2);
}

await withServer(async ({ address, query }) => {
  const browser = await puppeteer.launch(chromiumLaunch());
  try {
    for (const [name, view] of Object.entries(views)) {
      const { leak = false, settle = 1500, press, keys = [], to, before, size = { width: 1280, height: 800 } } = view;
      if (wanted.length > 0 && !wanted.includes(name)) continue;
      const page = await browser.newPage();
      await page.setViewport(size);
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
      const path = before ? await before({ address, query, page }) : view.path;
      const response = await page.goto(`${address}${path}`, { waitUntil: 'load' });
      if (!response?.ok()) throw new Error(`${path} answered ${response?.status()}`);
      // What a worker answers and what fades in is there by then.
      await new Promise((wait) => setTimeout(wait, settle));
      for (const name of [press ?? []].flat()) {
        // Cautions that were read for a picture before this one are read.
        const button = await page.$(`::-p-aria([name="${name}"][role="button"])`);
        if (!button && !name.startsWith('It is clean'))
          throw new Error(`${path} has nothing to press called “${name}”`);
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
