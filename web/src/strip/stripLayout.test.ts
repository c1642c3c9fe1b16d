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

  test.each(drawn)('%s, stacked %s: sections lie apart, and no two over each other', (_id, stacked, type) => {
    const { frames, width, height, labelSize } = stripLayout(type, stacked);
    frames.slice(1).forEach((frame, i) => {
      const before = frames[i] as (typeof frames)[number];
      if (stacked) {
        expect(frame.x).toBe(0);
        expect(frame.y - frame.reach).toBeGreaterThan(before.y + before.reach + labelSize);
      } else {
        expect(frame.y).toBe(before.y);
        expect(frame.x - before.x - before.section.length).toBeCloseTo(14, 9);
      }
    });
    const ends = frames.map(({ x, section }) => x + section.length);
    expect(Math.max(...ends)).toBeCloseTo(width, 9);
    for (const { y, reach } of frames) {
      expect(y - reach).toBeGreaterThan(0);
      expect(y + reach).toBeLessThan(height);
    }
    // At the width the strip is drawn for, a label is 12.5 pixels high.
    expect((labelSize / width) * 1200).toBeCloseTo(12.5, 9);
  });

  test.each(drawn)('%s, stacked %s: what is drawn of the tube holds every pad whole', (_id, stacked, type) => {
    const layout = stripLayout(type, stacked);
    for (const { hole, diameter } of type.pads) {
      const at = type.holes.find(({ id }) => id === hole);
      const frame = layout.frames.find(({ section }) => section.id === at?.section);
      if (!at || !frame) continue;
      expect(Math.abs(layout.place(at).y - frame.y) + diameter / 2).toBeLessThan(frame.reach);
    }
  });
});
