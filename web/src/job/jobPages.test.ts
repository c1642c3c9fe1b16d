import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { expect, test } from '@jest/globals';
import { addressOf, jobStages, pageAt, pageOfDigit } from './jobPages';

const pages = jobStages.flatMap(({ pages: of }) => of);
const folder = join(import.meta.dirname, '../app/jobs/[ticket]');

test('every page of a stage is there, and is found again from its own address', () => {
  for (const page of pages) {
    expect([page.name, existsSync(join(folder, page.path))]).toEqual([page.name, true]);
    expect(pageAt(addressOf('LL-201', page))).toBe(page);
    expect(pageAt(`${addressOf('LL-201', page)}/`)).toBe(page);
  }
  expect(new Set(pages.map(({ path }) => path)).size).toBe(pages.length);
});
test('what lies under a page belongs to it; a card belongs to the plan, a strange address to none', () => {
  expect(pageAt('/jobs/LL-201/sound/pitch')?.name).toBe('Sound');
  expect(pageAt('/jobs/LL-201/card/step-1')?.name).toBe('Plan');
  expect(pageAt('/jobs/LL-201/nowhere')).toBeNull();
});
test('ten pages have a digit each, and no other key is one', () => {
  expect(pages.flatMap(({ digit }) => digit ?? []).sort()).toEqual([...'0123456789']);
  expect(pageOfDigit('4')?.path).toBe('measure');
  expect(pageOfDigit('0')?.path).toBe('record');
  expect(pageOfDigit('KeyM')).toBeNull();
  expect(pageOfDigit('')).toBeNull();
});
