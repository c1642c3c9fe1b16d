import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { Unsolvable } from '../metrology';
import { greatestStack, shimStacks, solveSeat, type SeatInput } from '.';

const gapsAt = (values: number[]) => values.map((gap, i) => ({ clock: (i * 360) / values.length, gap }));
const base = { padDiameter: 31, axisDistance: 27.5, limits: { gap: 0.03 } };
const seat = (values: number[], more: Partial<SeatInput> = {}) => solveSeat({ ...base, gaps: gapsAt(values), ...more });

describe('seat', () => {
  test('worked example', () => {
    const out = seat([0.12, 0.1, 0.05, 0.01, 0, 0, 0.04, 0.09], { shims: [0.03, 0.05, 0.08] });
    expect(out.tilt).toBeCloseTo(0.124227, 6);
    expect(out.openClock).toBeCloseTo(5.576, 3);
    expect(out.unevenness).toBeCloseTo(0.0178553, 7);
    expect(out.picture).toBe('touches-back');
    expect(out.thicknessCorrection).toBeCloseTo(-0.0478605, 7);
    expect(out.sideBendDegrees).toBeCloseTo(0.0223104, 7);
    expect(out.advice).toBe('reset-bed');
    expect(out.shims.map(({ clock, thickness }) => [clock, Math.round(thickness * 100) / 100])).toEqual([
      [0, 0.13],
      [45, 0.11],
      [90, 0.06],
      [270, 0.05],
      [315, 0.1],
    ]);
    expect(out.shims[0]?.pieces).toEqual([0.08, 0.05]);
    expect(out.predictedMaxGap).toBeCloseTo(0.01, 12);
  });

  test.each([
    ['sealed', 'none', [0.03, 0, 0.01, 0, 0.03, 0, 0, 0]],
    ['held-off', 'regulate', [0.2, 0.2, 0.21, 0.2, 0.2, 0.2, 0.2, 0.2]],
    ['dotted', 'add-adhesive', [0.05, 0, 0.05, 0, 0.05, 0, 0.05, 0]],
    ['saddle', 'level-rim', [0.1, 0.05, 0, 0.05, 0.1, 0.05, 0, 0.05].map((g) => (g === 0.05 ? 0.02 : g))],
    ['touches-front', 'reset-bed', [0, 0, 0.05, 0.09, 0.12, 0.1, 0.04, 0]],
    ['touches-front', 'change-pad', [0, 0.1, 0.3, 0.5, 0.6, 0.5, 0.3, 0.1]],
    ['open-side', 'bend-cup', [0.04, 0.1, 0.12, 0.1, 0.04, 0, 0, 0]],
    ['one-gap', 'clean-inspect', [0, 0, 0, 0.09, 0, 0, 0, 0]],
    ['uneven', 'shim', [0.09, 0, 0.09, 0, 0, 0, 0, 0]],
  ])('%s → %s', (picture, advice, gaps) => {
    expect(seat(gaps)).toMatchObject({ picture, advice });
  });

  test('blames the rim where the gaps follow its hollows, whatever the picture', () => {
    const gaps = [0.1, 0.06, 0.01, 0.05, 0.1, 0.06, 0, 0.05];
    const hollow = gaps.map((gap, i) => ({ clock: i * 45, residual: 0.04 - gap }));
    expect(seat(gaps, { rimResiduals: hollow })).toMatchObject({ rimSuspected: true, advice: 'level-rim' });
    const shallow = hollow.map(({ clock, residual }) => ({ clock, residual: residual / 10 }));
    expect(seat(gaps, { rimResiduals: shallow }).rimSuspected).toBe(false);
    const flat = hollow.map(({ clock }) => ({ clock, residual: 0 }));
    expect(seat(gaps, { rimResiduals: flat }).rimSuspected).toBe(false);
  });

  test('a sample on a sector boundary belongs to the sector clockwise of it; empty sectors are interpolated', () => {
    const out = seat([0.2, 0, 0, 0, 0, 0], { sectorWidth: 120, shims: [0.1], limits: { gap: 0.03 } });
    // Samples at 0, 60 …: 60 lies on the boundary of sectors 0 and 120, and counts for 120.
    expect(out.shims.map(({ clock }) => clock)).toEqual([0]);
    const fine = seat([0.2, 0, 0, 0, 0, 0], { sectorWidth: 30, shims: [0.05] });
    expect(fine.shims.map(({ clock }) => clock)).toEqual([0, 30, 330]);
    expect(fine.shims[1]?.thickness).toBeCloseTo(0.1, 12);
  });

  test('a pad that reaches its own hinge has no answer', () => {
    expect(() => seat([0, 0, 0, 0, 0, 0], { axisDistance: 15.5 })).toThrow(Unsolvable);
  });

  test('the thickness error that was put in comes back out of the gaps', () => {
    const within = fc.double({ min: 0.02, max: 0.5, noNaN: true });
    fc.assert(
      fc.property(within, fc.boolean(), (error, thick) => {
        const { padDiameter: D, axisDistance: R } = base;
        const far = thick ? (error * D) / (R - D / 2) : (error * D) / (R + D / 2);
        const gaps = Array.from({ length: 12 }, (_, i) => {
          const cos = Math.cos((i * Math.PI) / 6);
          return { clock: i * 30, gap: (far / 2) * (1 + (thick ? cos : -cos)) };
        });
        const out = solveSeat({ ...base, gaps });
        expect(Math.abs(out.thicknessCorrection)).toBeCloseTo(error, 9);
        expect(out.thicknessCorrection < 0).toBe(thick);
      }),
    );
  });

  test('shims never lift a sector past the gap by more than half the limit', () => {
    const gap = fc.double({ min: 0, max: 0.4, noNaN: true });
    const stock = fc.array(fc.double({ min: 0.01, max: 0.2, noNaN: true }), { maxLength: 5 });
    fc.assert(
      fc.property(stock, gap, (pieces, most) => {
        const stack = greatestStack(shimStacks(pieces), most);
        const sums = pieces.flatMap((a) => [a, ...pieces.map((b) => a + b)]).filter((sum) => sum <= most + 1e-9);
        if (sums.length === 0) expect(stack).toBeNull();
        else expect(stack?.thickness).toBeCloseTo(Math.max(...sums), 8);
      }),
    );
  });
});
