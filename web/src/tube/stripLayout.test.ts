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

  test.each(drawn)(
    '%s, stacked %s: labels stand clear of the tube and of each other, inside the drawing',
    (_id, stacked, type) => {
      const { frames, labels, labelSize, labelY, place, height } = stripLayout(type, stacked);
      const ends = new Map<string, number>();
      const down = type.holes
        .map((hole) => ({ ...hole, x: place(hole).x, label: labels.get(hole.id) ?? { above: true, row: 0 } }))
        .sort((a, b) => a.x - b.x);
      for (const { name, section, x, label } of down) {
        const frame = frames.find((each) => each.section.id === section) as (typeof frames)[number];
        const base = labelY(section, label);
        // A letter stands on its base line and is about as high as its size.
        if (label.above) expect(base).toBeLessThan(frame.y - frame.reach);
        else expect(base - labelSize).toBeGreaterThanOrEqual(frame.y + frame.reach - 1e-9);
        expect(base - labelSize).toBeGreaterThanOrEqual(0);
        expect(base).toBeLessThanOrEqual(height);
        const farther = labelY(section, { ...label, row: label.row + 1 });
        expect(Math.abs(farther - base)).toBeCloseTo(1.1 * labelSize, 9);
        expect(Math.abs(farther - frame.y)).toBeGreaterThan(Math.abs(base - frame.y));
        const lane = `${stacked ? section : ''} ${label.above} ${label.row}`;
        const half = (name.length * 0.45 * labelSize) / 2;
        expect(x - half - (ends.get(lane) ?? -Infinity)).toBeGreaterThanOrEqual(0.7 * labelSize - 1e-9);
        ends.set(lane, x + half);
      }
    },
  );

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
