import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { leastSquares } from '../metrology';
import { runSolver } from '../solvers';
import { fitKink } from './fitBend';
import { smallestCylinder, solveBodyLine, type BodyLineInput, type Centre } from '.';

const quarters = (x: number, y: number) => [
  { clock: 0, deviation: x },
  { clock: 90, deviation: y },
  { clock: 180, deviation: -x },
  { clock: 270, deviation: -y },
];
const tube = (xs: number[], ys: number[] = xs.map(() => 0), step = 100): BodyLineInput['stations'] =>
  xs.map((x, i) => ({ at: i * step, sightings: quarters(x, ys[i] ?? 0) }));

describe('body-line', () => {
  test('worked example', () => {
    const out = solveBodyLine({ stations: tube([0, 0, 0, 0.3, 0.6]), limits: { zone: 0.2 }, springBack: 0.25 });
    expect(out).toMatchObject({ shape: 'kink', verdict: 'outside' });
    expect(out.bend?.at).toBeCloseTo(200, 6);
    expect(out.bend?.towardClock).toBeCloseTo(0, 6);
    expect(out.bend?.angleDegrees).toBeCloseTo(0.171887, 6);
    expect(out.correction?.pushClock).toBeCloseTo(180, 6);
    expect(out.correction?.setDegrees).toBeCloseTo(0.229183, 5);
  });

  test('a straight tube, however it lies, has no zone and nothing to correct', () => {
    const out = solveBodyLine({ stations: tube([1, 2, 3, 4], [5, 3, 1, -1]), limits: { zone: 0 } });
    expect(out.zone).toBeCloseTo(0, 9);
    expect(out).toMatchObject({ shape: 'straight', verdict: 'within' });
    expect(out).not.toHaveProperty('bend');
  });

  test('a bow is told from a kink, with its steepness', () => {
    const xs = [0, 1, 2, 3, 4, 5, 6].map((i) => 0.02 * (i - 3) ** 2);
    const out = solveBodyLine({ stations: tube(xs, undefined, 50), limits: { zone: 0.05 } });
    expect(out.shape).toBe('bow');
    expect(out.bend?.at).toBe(150);
    expect(out.bend?.angleDegrees).toBeCloseTo((Math.atan(2 * (0.02 / 2500) * 300) * 180) / Math.PI, 9);
  });

  test('no place between the stations explains a kink better, and none that is looked at costs a search', () => {
    const offset = fc.double({ min: -1, max: 1, noNaN: true });
    const gap = fc.integer({ min: 5, max: 120 });
    fc.assert(
      fc.property(fc.array(fc.tuple(gap, offset, offset), { minLength: 4, maxLength: 9 }), (steps) => {
        let at = 0;
        const centres = steps.map(([further, x, y]): Centre => ({ at: (at += further), x, y }));
        const found = fitKink(centres);
        const [from, to] = [centres[1]?.at ?? 0, centres.at(-2)?.at ?? 0];
        expect(found.at).toBeGreaterThanOrEqual(from - 1e-9);
        expect(found.at).toBeLessThanOrEqual(to + 1e-9);
        const left = (place: number) => {
          const rows = centres.map((centre) => [1, centre.at / 100, Math.max(0, centre.at - place) / 100]);
          return ['x', 'y'].reduce((sum, axis) => {
            const values = centres.map((centre) => centre[axis as 'x' | 'y']);
            const line = leastSquares(rows, values, 'two lines');
            return (
              sum +
              values.reduce(
                (part, value, i) =>
                  part + (value - (rows[i] ?? []).reduce((fit, b, k) => fit + b * (line[k] ?? 0), 0)) ** 2,
                0,
              )
            );
          }, 0);
        };
        expect(found.squaredError).toBeCloseTo(left(found.at), 9);
        for (let i = 0; i <= 40; i += 1)
          expect(left(from + ((to - from) * i) / 40)).toBeGreaterThan(found.squaredError * (1 - 1e-7) - 1e-12);
      }),
    );
  });
  test('stations all at one place determine no kink', () =>
    expect(() => fitKink([1, 2, 3, 4].map((x) => ({ at: 5, x, y: 0 })))).toThrow(/do not determine a kink/));

  test('finds a kink between stations, toward any side', () => {
    fc.assert(
      fc.property(fc.double({ min: 1.2, max: 4.8, noNaN: true }), fc.integer({ min: 0, max: 359 }), (where, toward) => {
        const lean = (i: number, wave: (a: number) => number) =>
          0.4 * Math.max(0, i - where) * wave((toward * Math.PI) / 180);
        const stations = [0, 1, 2, 3, 4, 5, 6];
        const out = solveBodyLine({
          stations: tube(
            stations.map((i) => lean(i, Math.cos)),
            stations.map((i) => lean(i, Math.sin)),
          ),
          limits: { zone: 0.01 },
        });
        expect(out.shape).toBe('kink');
        expect(out.bend?.at).toBeCloseTo(where * 100, 3);
        const apart = Math.abs((out.bend?.towardClock ?? NaN) - toward);
        expect(Math.min(apart, 360 - apart)).toBeLessThan(1e-3);
      }),
      { numRuns: 30 },
    );
  });

  test('too few or repeated stations are refused', () => {
    expect(runSolver('body-line', { stations: tube([0, 0, 0]), limits: { zone: 1 } }).status).toBe('invalid-input');
    const twice = tube([0, 0, 0, 0]).map((station) => ({ ...station, at: Math.min(station.at, 200) }));
    expect(runSolver('body-line', { stations: twice, limits: { zone: 1 } })).toMatchObject({
      problems: [{ path: '/stations/3/at' }],
    });
    const bunched = tube([0, 0, 0, 0]).map(({ at }) => ({
      at,
      sightings: [0, 0, 180].map((clock) => ({ clock, deviation: 0 })),
    }));
    expect(runSolver('body-line', { stations: bunched, limits: { zone: 1 } }).status).toBe('unsolvable');
  });
});

describe('smallestCylinder', () => {
  /** The plain way: no line on a fine grid of slopes and places may beat it. */
  const plainRadius = (centres: readonly Centre[], px: number, py: number, mx: number, my: number) =>
    Math.max(...centres.map(({ at, x, y }) => Math.hypot(x - px - mx * at, y - py - my * at)));

  test('holds every centre, and no nearby line does better', () => {
    const coordinate = fc.double({ min: -1, max: 1, noNaN: true });
    const anyCentres = fc.array(fc.tuple(coordinate, coordinate), { minLength: 4, maxLength: 12 });
    fc.assert(
      fc.property(anyCentres, fc.infiniteStream(fc.double({ min: -1, max: 1, noNaN: true })), (offsets, nudges) => {
        const centres = offsets.map(([x, y], i) => ({ at: i, x, y }));
        const radius = smallestCylinder(centres) / 2;
        const nudge = () => nudges.next().value as number;
        for (let i = 0; i < 300; i += 1) {
          expect(plainRadius(centres, nudge(), nudge(), nudge() / 4, nudge() / 4)).toBeGreaterThanOrEqual(
            radius * 0.99 - 1e-9,
          );
        }
      }),
      { numRuns: 40 },
    );
  });
  test('in a plane it is the narrowest strip', () => {
    // Chebyshev: for 0 0 0 3 6 along 0…4 the line that errs least errs by 1 up and down.
    expect(smallestCylinder([0, 0, 0, 3, 6].map((x, at) => ({ at, x, y: 0 })))).toBeCloseTo(3, 5);
  });
});
