import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { Matrix, SingularValueDecomposition, solve } from 'ml-matrix';
import {
  circularRuns,
  clockDistance,
  clockOf,
  inClockOrder,
  interpolate,
  leastSquares,
  normalClock,
  Unsolvable,
} from '.';

describe('clock', () => {
  test.each([
    [0, 0],
    [360, 0],
    [-90, 270],
    [725, 5],
  ])('normalClock(%p) is %p', (clock, expected) => expect(normalClock(clock)).toBe(expected));
  test('a direction comes back from its vector; nothing has none', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 359 }),
        fc.double({ min: 1e-6, max: 1e6, noNaN: true }),
        (clock, length) => {
          const radians = (clock * Math.PI) / 180;
          const found = clockOf(length * Math.cos(radians), length * Math.sin(radians)) ?? NaN;
          expect(clockDistance(found, clock)).toBeLessThan(1e-6);
          expect(found).toBeLessThan(360);
        },
      ),
    );
    expect(clockOf(0, 0)).toBeNull();
    expect(clockOf(1, -1e-16)).toBe(0);
  });
  test('distance is the shorter way round', () => {
    expect(clockDistance(350, 10)).toBe(20);
    expect(clockDistance(0, 180)).toBe(180);
  });
  test('360 stands with 0, and samples of one clock keep their order', () => {
    const ordered = inClockOrder([
      { clock: 90, n: 1 },
      { clock: 360, n: 2 },
      { clock: 0, n: 3 },
    ]);
    expect(ordered).toEqual([
      { clock: 0, n: 2 },
      { clock: 0, n: 3 },
      { clock: 90, n: 1 },
    ]);
  });
});

describe('circularRuns', () => {
  test('counts the same runs however the circle is turned', () => {
    fc.assert(
      fc.property(fc.array(fc.boolean(), { minLength: 1, maxLength: 20 }), fc.nat(19), (marks, turn) => {
        const turned = [...marks.slice(turn % marks.length), ...marks.slice(0, turn % marks.length)];
        const lengths = (list: boolean[]) =>
          circularRuns(list, (mark) => mark)
            .map((run) => run.length)
            .sort((a, b) => a - b);
        expect(lengths(turned)).toEqual(lengths(marks));
        expect(lengths(marks).reduce((sum, n) => sum + n, 0)).toBe(marks.filter(Boolean).length);
      }),
    );
  });
  test('all or none', () => {
    expect(circularRuns([1, 1], () => true)).toEqual([[1, 1]]);
    expect(circularRuns([1, 1], () => false)).toEqual([]);
    expect(circularRuns([], () => true)).toEqual([]);
  });
});

describe('leastSquares', () => {
  test('finds the coefficients that made the values', () => {
    const number = fc.double({ min: -100, max: 100, noNaN: true });
    fc.assert(
      fc.property(number, number, (a, b) => {
        const rows = [1, 2, 3, 5, 8].map((x) => [1, x]);
        const [foundA, foundB] = leastSquares(
          rows,
          rows.map(([, x = 0]) => a + b * x),
          'a line',
        );
        expect(foundA).toBeCloseTo(a, 8);
        expect(foundB).toBeCloseTo(b, 8);
      }),
    );
  });
  test('a kept library of matrices finds the same, whatever the samples', () => {
    // Hundredths: figures as they are read, none so small that rounding is all there is of it.
    const figure = fc.integer({ min: -10_000, max: 10_000 }).map((hundredths) => hundredths / 100);
    const width = 4;
    const sample = fc.tuple(figure, figure, figure, figure, figure);
    fc.assert(
      fc.property(fc.array(sample, { minLength: width, maxLength: 24 }), (samples) => {
        const rows = samples.map((each) => each.slice(0, width));
        const values = samples.map((each) => each[width] ?? 0);
        // Where the columns nearly say the same, both answers are mostly rounding.
        fc.pre(new SingularValueDecomposition(new Matrix(rows)).condition < 1e4);
        const wanted = solve(new Matrix(rows), Matrix.columnVector(values)).to1DArray();
        const size = Math.max(1, ...wanted.map(Math.abs));
        const found = leastSquares(rows, values, 'it');
        expect(Math.max(...found.map((each, i) => Math.abs(each - (wanted[i] ?? 0)) / size))).toBeLessThan(1e-8);
      }),
      { endOnFailure: true },
    );
  });
  test.each([
    ['too few rows', [[1, 2]], [1]],
    [
      'columns that say the same',
      [
        [1, 2],
        [2, 4],
        [3, 6],
      ],
      [1, 2, 3],
    ],
    [
      'figures that overflow',
      [
        [1e308, 1],
        [1e308, -1],
        [-1e308, 2],
      ],
      [1, 2, 3],
    ],
    ['nothing', [], []],
  ])('refuses %s', (_name, rows, values) => expect(() => leastSquares(rows, values, 'it')).toThrow(Unsolvable));
});

test('interpolation holds its end values', () => {
  const line = [
    { at: 0, value: 1 },
    { at: 10, value: 3 },
  ];
  expect([-5, 0, 2.5, 10, 99].map((at) => interpolate(line, at))).toEqual([1, 1, 1.5, 3, 3]);
});
