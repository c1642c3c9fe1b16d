import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { entryKinds } from '../job';
import { searchGroupOf, searchGroups, searchTerms, wordsIn } from '.';

test('words are letters and figures, and nothing a query could mean otherwise', () => {
  expect(wordsIn('  Low B♭, G♯ & 100%: (“Äpfel” | !x)')).toEqual([
    'low',
    'b',
    'flat',
    'g',
    'sharp',
    '100',
    'äpfel',
    'x',
  ]);
  expect(wordsIn('')).toEqual([]);
  expect(wordsIn('a b c d e f g h i j')).toHaveLength(8);
  fc.assert(
    fc.property(fc.string({ unit: 'binary' }), (text) => {
      for (const { words } of searchTerms(text)) for (const word of words) expect(word).toMatch(/^[\p{L}\p{N}]+$/u);
    }),
  );
});

test('a fault is found by the name people give it, and by the words that are left', () => {
  expect(searchTerms('Rim not flat, E')).toEqual([
    { words: ['rim', 'not', 'flat', 'e'], kind: null },
    { words: ['e'], kind: 'rim-warped' },
  ]);
  expect(searchTerms('dent bell')).toEqual([
    { words: ['dent', 'bell'], kind: null },
    { words: ['bell'], kind: 'dent' },
  ]);
  expect(searchTerms('rim')).toEqual([{ words: ['rim'], kind: null }]);
  expect(searchTerms(' ,; ')).toEqual([]);
});

test('every kind that is searched stands in one group, and is a kind', () => {
  const kinds = Object.values(searchGroups).flatMap(({ kinds: each }) => [...each]);
  expect(new Set(kinds).size).toBe(kinds.length);
  for (const kind of kinds) expect(entryKinds).toContain(kind);
  expect([searchGroupOf('finding'), searchGroupOf('practice-change'), searchGroupOf('reading')]).toEqual([
    'findings',
    'decisions',
    undefined,
  ]);
});
