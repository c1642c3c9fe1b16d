import { describe, expect, test } from '@jest/globals';
import { runSolver } from '../solvers';
import { solveBore, type BoreInput } from '.';

const station = (at: number, ...diameters: number[]) => ({
  at,
  readings: diameters.map((diameter, i) => ({ clock: i * 90, diameter })),
});
const limits = { deviation: 0.05, ovality: 0.1 };

describe('bore', () => {
  const cylinder: BoreInput = {
    stations: [
      station(0, 15, 15),
      station(10, 14.9, 14.9),
      station(20, 14.8, 15),
      station(30, 15.2, 15.4),
      station(40, 15, 15),
    ],
    reference: {
      kind: 'points',
      points: [
        { at: 0, diameter: 15 },
        { at: 20, diameter: 15 },
      ],
    },
    limits,
  };
  test('against points: deviation, features with their peaks, end value beyond the points', () => {
    const out = solveBore(cylinder);
    expect(out.stations.map(({ deviation }) => Math.round(deviation * 1000) / 1000)).toEqual([0, -0.1, -0.1, 0.3, 0]);
    expect(out.features.map(({ kind, from, to, peakAt }) => [kind, from, to, peakAt])).toEqual([
      ['narrow', 10, 20, 10],
      ['oval', 20, 30, 20],
      ['wide', 30, 30, 30],
    ]);
    expect(out.features[0]?.peak).toBeCloseTo(-0.1, 12);
    expect(out.referenceVolume).toBeCloseTo((Math.PI / 4) * 225 * 40, 6);
    expect(out.cones).toEqual([{ from: 0, to: 20, taper: 0, halfAngleDegrees: 0 }]);
  });

  test('a fitted double cone comes back with its knots, cones and volume', () => {
    const true_ = (at: number) => (at <= 30 ? 10 + at * 0.1 : 13 - (at - 30) * 0.05);
    const stations = [0, 10, 20, 30, 45, 60].map((at) => station(at, true_(at) + 0.02, true_(at) - 0.02));
    const out = solveBore({ stations, reference: { kind: 'fit', breaks: [30] }, limits });
    expect(out.knots.map(({ diameter }) => Math.round(diameter * 1e9) / 1e9)).toEqual([10, 13, 11.5]);
    expect(out.cones[0]?.taper).toBeCloseTo(0.1, 12);
    expect(out.cones[0]?.halfAngleDegrees).toBeCloseTo((Math.atan(0.05) * 180) / Math.PI, 12);
    expect(out.features).toEqual([]);
    const cone = (h: number, a: number, b: number) => ((Math.PI * h) / 12) * (a * a + a * b + b * b);
    expect(out.volume).toBeCloseTo(cone(30, 10, 13) + cone(30, 13, 11.5), 6);
  });

  test('what cannot be is refused', () => {
    const status = (change: object) => runSolver('bore', { ...cylinder, ...change }).status;
    expect(status({ reference: { kind: 'fit', breaks: [0] } })).toBe('invalid-input');
    expect(status({ reference: { kind: 'fit', breaks: [10, 10] } })).toBe('invalid-input');
    expect(status({ reference: { kind: 'fit', breaks: [12, 14, 16] } })).toBe('unsolvable');
    expect(status({ reference: { kind: 'guess' } })).toBe('invalid-input');
    expect(status({ reference: { kind: 'points', points: [{ at: 0, diameter: 1 }] } })).toBe('invalid-input');
    expect(status({ reference: { kind: 'fit', breaks: [], extra: 1 } })).toBe('invalid-input');
    expect(status({ stations: cylinder.stations.slice(3) })).toBe('invalid-input');
  });
});
