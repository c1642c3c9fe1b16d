import { readdirSync } from 'node:fs';
import { join } from 'node:path';
import { expect, test } from '@jest/globals';
import { GET as picture } from '../src/app/guide/pictures/[name]/route';
import { guideOf } from '../src/frame/guideOf';
import { jobStages, addressOf } from '../src/job/jobPages';
import { guidePage, guidePicture } from '../src/server/guide';

const root = join(import.meta.dirname, '..', '..', 'docs');
const files = readdirSync(join(root, 'guide')).map((file) => file.replace(/\.md$/, ''));

test('every stage of the work and every page of the shop has a page of the guide', async () => {
  const jobPages = jobStages.flatMap(({ pages }) => pages.map((page) => addressOf('LL-1', page)));
  const addresses = ['/', '/week', '/stock', '/shop/people', '/tickets/new', '/pieces', '/find', ...jobPages];
  for (const address of [...addresses, '/jobs/LL-1/card', '/jobs/LL-1/sound/pitch', '/check-ups', '/types'])
    expect([address, await guidePage(guideOf(address).replace('/guide/', ''))]).toMatchObject([address, { html: /./ }]);
});
test.each([
  ['/jobs/LL-1', 'ticket'],
  ['/jobs/LL-1/strip', 'look'],
  ['/jobs/LL-1/card', 'decide'],
  ['/jobs/LL-1/sound/tuning', 'fit'],
  ['/jobs/-practice/measure', 'measure'],
  ['/jobs/LL-1/nowhere', 'shop'],
  ['/pieces', 'fit'],
  ['/', 'shop'],
])('of %s it is “%s”', (address, page) => expect(guideOf(address)).toBe(`/guide/${page}`));

test('the first page leads to all others, and nowhere else; no page leads where nothing is', async () => {
  const linksOf = async (name: string) =>
    [...((await guidePage(name))?.html.matchAll(/<a href="([^"]+)"/g) ?? [])].map(([, href]) => href);
  expect(await linksOf('README')).toHaveLength(files.length - 1);
  expect(new Set(await linksOf('README'))).toEqual(
    new Set(files.filter((name) => name !== 'README').map((name) => `/guide/${name}`)),
  );
  for (const name of files)
    for (const href of await linksOf(name)) expect(files).toContain(href?.replace('/guide/', ''));
});
test('a page has its title, its words and its tables; what the bench types stays as it is typed', async () => {
  const { title, html } = (await guidePage('first-hour')) ?? { title: '', html: '' };
  expect(title).toBe('The first hour');
  expect(html).toMatch(/<th>mark<\/th>/);
  expect((await guidePage('look'))?.html).toContain('<pre><code>Low E key; pivots; over Low F key + trill');
});
test('pictures are those of the pages, and are there', async () => {
  const pages = await Promise.all(files.map(async (name) => (await guidePage(name))?.html ?? ''));
  const names = [...pages.join('').matchAll(/<img src="\/guide\/pictures\/([^"]+)" alt="[^"]{10,}"/g)];
  expect(names.length).toBeGreaterThanOrEqual(3);
  for (const [, name = ''] of names) expect((await guidePicture(name))?.subarray(1, 4).toString()).toBe('PNG');
});
test.each(['../README', 'none', '..', '', 'README.md', '.env'])('“%s” is no page', async (name) =>
  expect(await guidePage(name)).toBeNull(),
);
test('what is no picture is not given out', async () => {
  const status = async (name: string) =>
    (await picture(new Request('http://127.0.0.1/'), { params: Promise.resolve({ name }) })).status;
  expect(await Promise.all(['week.png', '../guide/look.md', 'none.png', '..%2fx.png'].map(status))).toEqual([
    200, 404, 404, 404,
  ]);
});
