import { describe, expect, test } from '@jest/globals';
import { applyOptions, shippedTypes, type InstrumentType } from '@holotonos/core';
import { pictureOf, type PictureRole } from './picture';

const drawn = shippedTypes.map((type) => applyOptions(type, []));
const everyType = drawn.map((type) => [type.id, type] as const);
const typeOf = (id: string) => drawn.find((type) => type.id === id) as InstrumentType;
const count = (type: InstrumentType, role: PictureRole) =>
  pictureOf(type).strokes.filter((stroke) => stroke.role === role).length;

describe('the picture of a type', () => {
  test.each(everyType)('%s: every part of it is drawn once', (_id, type) => {
    expect(count(type, 'tube')).toBe(type.sections.length);
    expect(count(type, 'rod')).toBe(type.rods.length);
    expect(count(type, 'post')).toBe(type.posts.length);
    expect(count(type, 'hinge')).toBe(type.keys.filter(({ rod }) => rod).length);
    expect(count(type, 'cup') + count(type, 'behind') + count(type, 'hole')).toBe(type.holes.length);
    // What nobody presses has no touch; what is pressed has one, on its cup or beside it.
    const pressed = type.keys.filter(({ rod, touches }) => rod && touches && touches.length > 0);
    expect(count(type, 'touch') + count(type, 'pearl')).toBe(pressed.length);
  });
  test.each(everyType)('%s: nothing is drawn outside its box, and no figure is none', (_id, type) => {
    const { box, strokes, holes } = pictureOf(type);
    for (const { role, d } of strokes) {
      expect(d).not.toMatch(/NaN|undefined|Infinity/);
      const points = [...d.matchAll(/[ML]\s?(-?[\d.]+) (-?[\d.]+)/g)].map(([, x, y]) => [Number(x), Number(y)]);
      expect(points.length).toBeGreaterThan(0);
      for (const [x, y] of points) {
        expect([role, x, (x ?? 0) >= box.x - 12 && (x ?? 0) <= box.x + box.width + 12]).toEqual([role, x, true]);
        expect([role, y, (y ?? 0) >= box.y - 12 && (y ?? 0) <= box.y + box.height + 12]).toEqual([role, y, true]);
      }
    }
    expect(holes.map(({ id }) => id)).toEqual(type.holes.map(({ id }) => id));
  });

  test('light falls from above on a bell that comes back, too', () => {
    const lowest = (d: string) => Math.max(...[...d.matchAll(/[ML]-?[\d.]+ (-?[\d.]+)/g)].map(([, y]) => Number(y)));
    const { strokes } = pictureOf(typeOf('alto-saxophone'));
    const of = (role: PictureRole) => strokes.filter((stroke) => stroke.role === role).map(({ d }) => lowest(d));
    const [tubes, shades] = [of('tube'), of('shade')];
    // Body and bell are darkest at their lower edge.
    for (const section of [1, 3]) expect(shades[section]).toBeCloseTo(tubes[section] ?? NaN, 1);
  });
  test('a hole at the back is drawn as what lies behind', () => {
    expect(count(typeOf('b-flat-clarinet'), 'behind')).toBe(
      typeOf('b-flat-clarinet').holes.filter(({ clock }) => clock > 90 && clock < 270).length,
    );
  });
});
