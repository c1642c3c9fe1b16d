import { expect, test } from '@jest/globals';
import { lightClocks, type Phrase } from '@holotonos/core';
import { dialSectors, dialSize } from './lightDial';
import { figureText, limitText, readOnlyWords, rowWords, ruleLines } from './recordWords';

test('rows of the record are told in their own unit, or in that of the job', () => {
  const row = { group: 'body-line', place: 'Bell', what: 'run-out' } as Parameters<typeof rowWords>[0];
  expect(rowWords(row)).toBe('body line of Bell, run-out');
  expect(figureText(null, 'mm', 'mm')).toBe('–');
  expect(figureText({ value: 0.0508, uncertainty: 0.004 }, 'mm', 'thou')).toBe('2.00 ± 0.16 thou');
  expect(figureText({ value: 0.5, uncertainty: 0.02 }, 'N', 'in')).toBe('0.50 ± 0.02 N');
  expect(limitText({ upper: 0.05 }, 'mm', 'mm')).toBe('0.050 mm');
  expect(limitText({ lower: -0.2, upper: 0.2 }, 'mm', 'mm')).toBe('± 0.200 mm');
  expect(limitText({ lower: 0.35, upper: 0.7 }, 'N', 'mm')).toBe('0.35 N to 0.70 N');
  expect(limitText({}, 'mm', 'mm')).toBe('');
  const read = { group: 'bore', place: 'Body', readings: 1 } as Parameters<typeof readOnlyWords>[0];
  expect(readOnlyWords(read)).toBe('bore of Body: 1 reading, too few for a figure');
  expect(readOnlyWords({ ...read, readings: 3 })).toMatch(/3 readings/);
});

test('a pad’s dial has a sector for each position, front up, within its square', () => {
  expect(dialSectors).toHaveLength(lightClocks.length);
  for (const path of dialSectors)
    for (const [, x, y] of path.matchAll(/(?:M|L|1 |0 )(-?[\d.]+) (-?[\d.]+)(?= |$)/g))
      for (const value of [Number(x), Number(y)]) {
        expect(value).toBeGreaterThanOrEqual(0);
        expect(value).toBeLessThanOrEqual(dialSize);
      }
  // The first sector lies over the middle.
  const [, y] = /^M[\d.]+ ([\d.]+)/.exec(dialSectors[0] ?? '') ?? [];
  expect(Number(y)).toBeLessThan(dialSize / 4);
});

test('rules are told with what holds in one line, and why a compromise was left', () => {
  const off: Phrase = [{ value: 0.0254, unit: 'mm' } as never, ' off'];
  expect(
    ruleLines(
      {
        hold: ['F closes F♯.', 'E closes F♯.'],
        yield: [
          { words: 'D closes F♯.', off, why: 'The rod twists.' },
          { words: 'A closes B♭.', off, why: '' },
        ],
      },
      'thou',
    ),
  ).toEqual([
    'Holds: F closes F♯. E closes F♯.',
    'Left as a compromise, 1.0 thou off: D closes F♯. Because: The rod twists.',
    'Does not hold yet, 1.0 thou off: A closes B♭.',
  ]);
  expect(ruleLines({ hold: [], yield: [] }, 'mm')).toEqual([]);
});
