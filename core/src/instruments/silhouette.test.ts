import { describe, expect, test } from '@jest/globals';
import type { InstrumentType } from './instrumentType.schema';
import { shippedTypes } from './instrumentTypes';
import { boreAt } from './partNames';
import { silhouetteOf, type PicturePoint } from './silhouette';

const typeOf = (id: string) => shippedTypes.find((type) => type.id === id) as InstrumentType;
const apart = (a: PicturePoint, b: PicturePoint) => Math.hypot(a.x - b.x, a.y - b.y);
const everyType = shippedTypes.map((type) => [type.id, type] as const);

const pictures = new Map(shippedTypes.map((type) => [type, silhouetteOf(type)]));
/** The middle of a tube there, from the picture itself. */
const middle = (type: InstrumentType, section: string, at: number) =>
  (pictures.get(type) as NonNullable<ReturnType<typeof pictures.get>>).place({ section, at, clock: 0 });

describe('the picture of an instrument', () => {
  test.each(everyType)('%s: sections meet, whatever they turn by', (_id, type) => {
    type.sections.slice(1).forEach((section, i) => {
      const above = type.sections[i] as InstrumentType['sections'][number];
      expect(apart(middle(type, above.id, above.length), middle(type, section.id, 0))).toBeLessThan(1e-9);
    });
  });
  test.each(everyType)('%s: every millimetre along the tube is one in the picture, bent or not', (_id, type) => {
    for (const section of type.sections) {
      const steps = 200;
      const way = Array.from({ length: steps }, (_, i) =>
        apart(
          middle(type, section.id, (section.length * i) / steps),
          middle(type, section.id, (section.length * (i + 1)) / steps),
        ),
      ).reduce((sum, each) => sum + each, 0);
      expect(way / section.length).toBeCloseTo(1, 3);
    }
  });
  test.each(everyType)('%s: it is as wide there as bore and walls, square to the tube', (_id, type) => {
    const { place } = silhouetteOf(type);
    for (const section of type.sections)
      for (const at of [0, section.length / 3, section.length]) {
        const right = place({ section: section.id, at, clock: 90 });
        const left = place({ section: section.id, at, clock: 270 });
        expect(apart(right, left)).toBeCloseTo(boreAt(section, at) + 2 * section.wall, 9);
        const step = section.length / 1e6;
        const [a, b] = [Math.max(0, at - step), Math.min(section.length, at + step)].map((s) =>
          middle(type, section.id, s),
        ) as [PicturePoint, PicturePoint];
        const slope = ((b.x - a.x) * (right.x - left.x) + (b.y - a.y) * (right.y - left.y)) / apart(a, b);
        expect(Math.abs(slope) / apart(right, left)).toBeLessThan(1e-3);
      }
  });
  test.each(everyType)('%s: everything on it lies in its box', (_id, type) => {
    const { place, box, sections } = silhouetteOf(type);
    const points = [
      ...sections.flatMap(({ between }) => between(-1, 1)),
      ...type.holes.map((hole) => place(hole)),
      ...type.posts.map((post) => place(post)),
    ];
    for (const { x, y } of points) {
      expect(x).toBeGreaterThanOrEqual(box.x - 0.1);
      expect(y).toBeGreaterThanOrEqual(box.y - 0.1);
      expect(x).toBeLessThanOrEqual(box.x + box.width + 0.1);
      expect(y).toBeLessThanOrEqual(box.y + box.height + 0.1);
    }
  });

  test('the body of a saxophone lies level, its bell comes back above it and its neck bends the other way', () => {
    const sax = typeOf('alto-saxophone');
    const body = [middle(sax, 'body', 0), middle(sax, 'body', 503)] as const;
    expect(body[1].x - body[0].x).toBeCloseTo(503, 6);
    expect(body[1].y).toBeCloseTo(body[0].y, 6);
    const bell = [middle(sax, 'bell', 0), middle(sax, 'bell', 315)] as const;
    expect(bell[1].x).toBeCloseTo(bell[0].x - 315, 6);
    expect(body[1].y - bell[0].y).toBeCloseTo((2 * 151) / Math.PI, 6);
    expect(middle(sax, 'neck', 0).y).toBeGreaterThan(body[0].y);
    // Bell and body stand clear of each other.
    const gap =
      body[1].y - bell[0].y - (boreAt(sax.sections[1] as never, 503) + boreAt(sax.sections[3] as never, 0)) / 2;
    expect(gap).toBeGreaterThan(10);
  });
  test('a flute has nothing that turns: its box is its length and its width', () => {
    const flute = typeOf('concert-flute');
    const { box } = silhouetteOf(flute);
    expect(box.width).toBeCloseTo(231 + 289 + 114, 9);
    expect(box.height).toBeCloseTo(19.3 + 0.76, 6);
    expect(silhouetteOf(flute, { straight: true }).box).toEqual(box);
  });
  test('as a map the bends are taken out', () => {
    const { box } = silhouetteOf(typeOf('tenor-saxophone'), { straight: true });
    expect(box.width).toBeCloseTo(248 + 706 + 201 + 416, 9);
    expect(box.height).toBeCloseTo(147 + 1.4, 9);
  });
  test('right is below, left above, the back behind; what stands out stands farther from the middle', () => {
    const { place, isBehind } = silhouetteOf(typeOf('oboe'));
    const at = (clock: number, out?: number) => place({ section: 'top', at: 100, clock }, out).y;
    expect(at(90)).toBeGreaterThan(at(0));
    expect(at(270)).toBeLessThan(at(0));
    expect(at(90, 5) - at(90)).toBeCloseTo(5, 9);
    expect(at(270, 5) - at(270)).toBeCloseTo(-5, 9);
    expect([0, 60, 90, 120, 180, 300].map((clock) => isBehind({ section: 'top', at: 0, clock }))).toEqual([
      false,
      false,
      false,
      true,
      true,
      false,
    ]);
  });
  test('a stretch between two lines is its share of the whole', () => {
    const [body] = silhouetteOf(typeOf('soprano-saxophone')).sections;
    const height = (outline: readonly PicturePoint[] | undefined) => (outline?.at(-1)?.y ?? 0) - (outline?.[0]?.y ?? 0);
    expect(height(body?.between(-1, 1))).toBeCloseTo(8.6 + 1.2, 9);
    expect(height(body?.between(0, 0.5))).toBeCloseTo((8.6 + 1.2) / 4, 9);
  });
});
