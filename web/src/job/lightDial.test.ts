import { expect, test } from '@jest/globals';
import { lightClocks } from '@holotonos/core';
import { dialSectors, dialSize } from './lightDial';

/** The clock a spot of the dial lies at, degrees from the front, and how far from the middle. */
const spot = (text: string) => {
  const [x = NaN, y = NaN] = text.trim().split(' ').map(Number);
  const [across, up] = [x - dialSize / 2, dialSize / 2 - y];
  return { clock: ((Math.atan2(across, up) * 180) / Math.PI + 360) % 360, reach: Math.hypot(across, up) };
};
/** From which clock to which a sector reaches, and how far out. */
const sectors = dialSectors.map((path) => {
  const [from = '', out = ''] = path.split(/[MALZ]/).filter((part) => part !== '');
  const to = out.trim().split(' ').slice(-2).join(' ');
  return [spot(from), spot(to)] as const;
});
/** Spots are written to a hundredth of the drawing, which is so much of a turn, degrees. */
const doubt = 0.1;
const turned = (from: number, to: number) => (to - from + 360) % 360;

test('a dial has a sector about each clock, all alike, with the same gap between any two', () => {
  expect(sectors).toHaveLength(lightClocks.length);
  const each = 360 / lightClocks.length;
  sectors.forEach(([from, to], i) => {
    const next = sectors[(i + 1) % sectors.length]?.[0];
    expect(Math.abs(turned(from.clock, to.clock) - (each - 4))).toBeLessThan(doubt);
    expect(Math.abs(turned(to.clock, next?.clock ?? NaN) - 4)).toBeLessThan(doubt);
    expect(Math.abs(turned(from.clock, lightClocks[i] ?? NaN) - (each / 2 - 2))).toBeLessThan(doubt);
  });
});

test('it lies inside its square', () => {
  for (const edges of sectors)
    for (const { reach } of edges) expect([reach < dialSize / 2, reach > dialSize / 3]).toEqual([true, true]);
});
