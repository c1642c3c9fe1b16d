import { describe, expect, test } from '@jest/globals';
import { readdirSync, readFileSync } from 'node:fs';
import { join, resolve } from 'node:path';
import * as ofJobs from '../generated/entries.js';
import * as ofTheShop from '../generated/shop.js';
import * as ofTheDrawers from '../generated/stock.js';
import { validatorOf } from '../validation';
import { shopEntryKinds } from '../shop';
import { stockEntryKinds } from '../stock';
import { entryKinds } from '.';

const core = resolve(import.meta.dirname, '..');
const formats = readFileSync(join(core, '../../docs/formats.md'), 'utf8');
const files = readdirSync(core, { recursive: true, encoding: 'utf8' });
const camel = (kind: string) => kind.replace(/-(.)/g, (_, letter: string) => letter.toUpperCase());
/** Both belong to every logbook and stand with the engine. */
const ofTheEngine = ['strike', 'unreadable'];

describe('kinds of entry are the same everywhere', () => {
  test.each([...entryKinds, ...shopEntryKinds, ...stockEntryKinds])('%s is named in the formats', (kind) =>
    expect(formats).toContain(`\`${kind}\``),
  );
  test.each(entryKinds)('%s has a compiled schema and a file of its name', (kind) => {
    expect(validatorOf(ofJobs, kind)).not.toBeNull();
    const own = files.filter((file) => file.endsWith(`/${camel(kind)}.kind.ts`) && !/^(shop|stock)\//.test(file));
    expect(own).toHaveLength(ofTheEngine.includes(kind) ? 0 : 1);
  });
  test.each(shopEntryKinds)('%s of the shop has a compiled schema and a file of its name', (kind) => {
    expect(validatorOf(ofTheShop, kind)).not.toBeNull();
    expect(files.includes(`shop/${camel(kind)}.kind.ts`)).toBe(!ofTheEngine.includes(kind));
  });
  test.each(stockEntryKinds)('%s of the drawers has a compiled schema and a file of its name', (kind) => {
    expect(validatorOf(ofTheDrawers, kind)).not.toBeNull();
    expect(files.includes(`stock/${camel(kind)}.kind.ts`)).toBe(!ofTheEngine.includes(kind));
  });
  test('no file of a kind is left out of the lists', () => {
    const known = new Set([...entryKinds, ...shopEntryKinds, ...stockEntryKinds].map(camel));
    const strange = files.filter(
      (file) => /\.kind\.ts$/.test(file) && !known.has(/([^/]+)\.kind\.ts$/.exec(file)?.[1] ?? ''),
    );
    expect(strange).toEqual([]);
  });
});
