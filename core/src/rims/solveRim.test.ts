import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { Unsolvable } from '../metrology';
import { solveRim, type RimInput } from '.';

const heightsAt = (values: number[]) => values.map((height, i) => ({ clock: (i * 360) / values.length, height }));
const worked: RimInput = {
  heights: heightsAt([0.02, 0.03, 0.05, 0.02, -0.04, -0.05, -0.01, 0]),
  diameters: [
    { clock: 0, diameter: 24.1 },
    { clock: 60, diameter: 24.32 },
    { clock: 120, diameter: 24.28 },
  ],
  limits: { flatness: 0.05, tilt: 0.15, ovality: 0.2 },
};

describe('rim', () => {
  test('worked example', () => {
    const out = solveRim(worked);
    expect(out.meanHeight).toBeCloseTo(0.0025, 12);
    expect(out.tilt).toBeCloseTo(0.0830308, 7);
    expect(out.highClock).toBeCloseTo(51.917, 3);
    expect(out.flatness).toBeCloseTo(0.0370711, 7);
    expect(out.ellipse?.ovality).toBeCloseTo(0.270637, 6);
    expect(out.ellipse?.longClock).toBeCloseTo(85.087, 3);
    expect(out.levelling).toEqual({ method: 'none', removal: 0 });
    expect(out.verdicts).toEqual({ flatness: 'within', tilt: 'within', ovality: 'outside' });
  });

  test('a flat rim has no direction, no low sector and nothing to do', () => {
    const out = solveRim({ heights: heightsAt([1, 1, 1, 1, 1, 1]), limits: { flatness: 0 } });
    expect(out.highClock).toBeNull();
    expect(out.lowSectors).toEqual([]);
    expect(out.levelling.method).toBe('none');
    expect(out).not.toHaveProperty('ellipse');
    expect(out.verdicts).toEqual({ flatness: 'within' });
  });

  test('a low sector that runs through the front is one sector', () => {
    const heights = heightsAt(Array.from({ length: 12 }, (_, i) => -0.05 * Math.cos((i * Math.PI) / 3)));
    const out = solveRim({ heights, limits: { flatness: 0.04 } });
    expect(out.lowSectors.map(({ fromClock, toClock }) => [fromClock, toClock])).toEqual([
      [150, 210],
      [330, 30],
    ]);
  });

  test('raises first where dressing would take too much', () => {
    const heights = heightsAt([0.1, 0, 0.1, 0, 0.1, 0, 0.1, 0]);
    const method = (stock?: RimInput['stock']) =>
      solveRim({ heights, limits: { flatness: 0.03 }, stock }).levelling.method;
    expect(method()).toBe('dress');
    expect(method({})).toBe('dress');
    expect(method({ maxRemoval: 0.1 })).toBe('dress');
    expect(method({ maxRemoval: 0.08 })).toBe('raise-then-dress');
  });

  test('refuses samples that do not fix a plane or an ellipse', () => {
    const bunched = Array.from({ length: 6 }, (_, i) => ({ clock: i % 2 === 0 ? 0 : 90, height: i }));
    expect(() => solveRim({ heights: bunched, limits: { flatness: 1 } })).toThrow(Unsolvable);
    const opposite = [0, 180, 90].map((clock) => ({ clock, diameter: 20 }));
    expect(() => solveRim({ ...worked, diameters: opposite })).toThrow(/ellipse/);
  });

  test('finds the tilt and the ellipse that were put in, whatever the order and however it is turned', () => {
    const amount = fc.double({ min: 0.001, max: 0.5, noNaN: true });
    fc.assert(
      fc.property(amount, fc.integer({ min: 0, max: 359 }), fc.integer({ min: 6, max: 24 }), (tilt, high, n) => {
        const wave = (clock: number, times: number) => Math.cos((times * (clock - high) * Math.PI) / 180);
        const clocks = Array.from({ length: n }, (_, i) => (i * 360) / n).reverse();
        const out = solveRim({
          heights: clocks.map((clock) => ({ clock, height: 3 + (tilt / 2) * wave(clock, 1) })),
          diameters: clocks.map((clock) => ({ clock, diameter: 20 + (tilt / 2) * wave(clock, 2) })),
          limits: { flatness: 0.01 },
        });
        expect(out.tilt).toBeCloseTo(tilt, 9);
        expect(out.flatness).toBeCloseTo(0, 9);
        expect(out.ellipse?.ovality).toBeCloseTo(tilt, 9);
        const apart = Math.abs((out.highClock ?? NaN) - high);
        expect(Math.min(apart, 360 - apart)).toBeLessThan(1e-6);
        expect(out.residuals.map(({ clock }) => clock)).toEqual([...clocks].reverse());
      }),
    );
  });
});
