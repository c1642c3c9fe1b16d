import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { freshId, slugOf } from '.';

test.each([
  ['The long C♯ key (left)', 'the-long-c-sharp-key-left'],
  ['B♭ vent', 'b-flat-vent'],
  ['Штангенциркуль', 'shtangencirkul'],
  ['Μικρόμετρο', 'mikrometro'],
  ['Messuhr für Hülsen', 'messuhr-fur-hulsen'],
  ['  __Cork & felt__ ', 'cork-and-felt'],
  ['♪', ''],
  ['音叉', ''],
])('%s', (name, slug) => expect(slugOf(name)).toBe(slug));

test('a name without letters of ours is called what it is, and two of them are two', () => {
  expect(freshId('音叉', 'gauge', [])).toBe('gauge');
  expect(freshId('測微計', 'gauge', ['gauge'])).toBe('gauge-2');
  expect(freshId('Polish', 'step', ['polish', 'polish-2'])).toBe('polish-3');
});

test('any name gives an id the logbook takes, that nothing else has', () => {
  fc.assert(
    fc.property(fc.array(fc.string({ unit: 'grapheme', maxLength: 60 }), { minLength: 1, maxLength: 8 }), (names) => {
      const taken: string[] = [];
      for (const name of names) {
        const id = freshId(name, 'part', taken);
        expect(id).toMatch(/^[a-z0-9]([a-z0-9-]{0,48}[a-z0-9])?$/);
        expect(taken).not.toContain(id);
        taken.push(id);
      }
    }),
  );
});
