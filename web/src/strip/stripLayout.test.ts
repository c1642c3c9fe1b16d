import { describe, expect, test } from '@jest/globals';
import { applyOptions, shippedTypes } from '@holotonos/core';
import { stripLayout } from './stripLayout';

const drawn = shippedTypes.flatMap((type) => [
  [type.id, false, applyOptions(type, [])] as const,
  [
    type.id,
    true,
    applyOptions(
      type,
      type.options.map(({ id }) => id),
    ),
  ] as const,
]);

describe('the strip of every type', () => {
  test.each(drawn)('%s, stacked %s: every spot is found again where it is drawn', (_id, stacked, type) => {
    const layout = stripLayout(type, stacked);
    for (const { id, section, at, clock } of type.holes) {
      const { x, y } = layout.place({ section, at, clock });
      const found = layout.spotAt(x, y);
      expect([id, found?.section]).toEqual([id, section]);
      expect(found?.at).toBeCloseTo(at, 1);
      expect(Math.abs((((found?.clock ?? 0) - clock + 540) % 360) - 180)).toBeLessThanOrEqual(1);
      expect(y).toBeGreaterThan(0);
      expect(y).toBeLessThan(layout.height);
    }
  });

  test.each(drawn)('%s, stacked %s: no label lies over another', (_id, stacked, type) => {
    const layout = stripLayout(type, stacked);
    const boxes = type.holes.map(({ id, name, section, at, clock }) => {
      const label = layout.labels.get(id) ?? { above: true, row: 0 };
      const half = (name.length * 0.45 * layout.labelSize) / 2;
      const { x } = layout.place({ section, at, clock });
      return { id, from: x - half, to: x + half, y: layout.labelY(section, label) };
    });
    for (const a of boxes)
      for (const b of boxes)
        if (a.id < b.id && Math.abs(a.y - b.y) < layout.labelSize * 0.9)
          expect([a.id, b.id, a.to <= b.from || b.to <= a.from]).toEqual([a.id, b.id, true]);
  });

  test('outside every section there is no spot', () => {
    const [, , type] = drawn[0] as (typeof drawn)[number];
    expect(stripLayout(type, false).spotAt(-50, 0)).toBeNull();
  });
});
