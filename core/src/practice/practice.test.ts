import { describe, expect, test } from '@jest/globals';
import { families, practiceNames } from '../vocabulary';
import { padGapLimit, practices, rimLimits, tolerance } from '.';

describe('tolerances', () => {
  test.each([
    ['bodyStraightness', 'flute', 'keeper', 0.25],
    ['hingeClearance', 'oboe', 'steady', [0.008, 0.035]],
    ['padGap', 'saxophone', 'steady', 0.05],
    ['rimFlatnessLarge', 'flute', 'stage', null],
    ['corkedTenonClearance', 'saxophone', 'stage', null],
    ['jointLeakMlPerMinute', 'saxophone', 'keeper', 50],
  ] as const)('%s for %s, %s', (name, family, practice, expected) =>
    expect(tolerance(name, { family, practice })).toEqual(expected),
  );

  test('Stage is never looser than Steady, nor Steady than Keeper', () => {
    for (const family of families) {
      const gaps = practiceNames.map((practice) => padGapLimit({ family, practice }));
      expect(gaps).toEqual([...gaps].sort((a, b) => a - b));
      const rims = practiceNames.map((practice) => rimLimits({ family, practice }, 15).flatness);
      expect(rims).toEqual([...rims].sort((a, b) => a - b));
    }
  });
  test('a wide hole has its own flatness, where there is one', () => {
    expect(rimLimits({ family: 'saxophone', practice: 'stage' }, 20).flatness).toBe(0.02);
    expect(rimLimits({ family: 'saxophone', practice: 'stage' }, 20.5).flatness).toBe(0.03);
    expect(rimLimits({ family: 'flute', practice: 'stage' }, 25).flatness).toBe(0.01);
  });
});

test('each practice says in a line what it holds', () => {
  for (const name of practiceNames) {
    expect(practices[name].name).toBe(name);
    expect(practices[name].holds.length).toBeGreaterThan(30);
  }
});
