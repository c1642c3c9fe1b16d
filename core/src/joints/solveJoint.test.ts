import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { runSolver } from '../solvers';
import { annulusLeak, solveJoint, type JointInput } from '.';

const worked: JointInput = {
  tenon: [
    { at: 0, diameters: [24.42, 24.44] },
    { at: 12, diameters: [24.4, 24.42] },
    { at: 24, diameters: [24.35, 24.37] },
  ],
  receiver: [
    { at: 0, diameters: [24.47, 24.46] },
    { at: 24, diameters: [24.45, 24.46] },
  ],
  limits: { clearance: [0, 0.02], ovality: 0.03, leak: 30 },
  tool: { overshoot: 0.02, shrinkStep: 0.01 },
};
const even = (inner: number, outer: number): JointInput => ({
  tenon: [
    { at: 0, diameters: [inner, inner] },
    { at: 20, diameters: [inner, inner] },
  ],
  receiver: [
    { at: 0, diameters: [outer, outer] },
    { at: 20, diameters: [outer, outer] },
  ],
  limits: { clearance: [0.01, 0.02], ovality: 0.03, leak: 30 },
});

describe('joint', () => {
  test('worked example', () => {
    const out = solveJoint(worked);
    expect(out.clearances.map(({ at, clearance }) => [at, Math.round(clearance * 1e9) / 1e9])).toEqual([
      [0, 0.035],
      [12, 0.05],
      [24, 0.095],
    ]);
    expect(out.leak.concentric).toBeCloseTo(32.3172, 3);
    expect(out.leak.eccentric).toBeCloseTo(2.5 * 32.3172, 2);
    expect(out).toMatchObject({ verdict: 'leaks', fit: 'loose' });
    const tidy = out.plan.map((step) => ({ ...step, ...('by' in step && { by: Math.round(step.by * 1e9) / 1e9 }) }));
    expect(tidy).toEqual([
      { action: 'expand', zone: 'shoulder', by: 0.05 },
      { action: 'expand', zone: 'middle', by: 0.0625 },
      { action: 'expand', zone: 'leading', by: 0.09 },
      { action: 'shrink', by: 0.02, steps: 2 },
      { action: 'lap' },
    ]);
  });

  test('an overlap that begins deep in the joint is cut into its own thirds', () => {
    const deep = (at: number) => at + 40;
    const moved = {
      ...worked,
      tenon: worked.tenon.map((ring) => ({ ...ring, at: deep(ring.at) })),
      receiver: worked.receiver.map((ring) => ({ ...ring, at: deep(ring.at) })),
    };
    expect(solveJoint(moved).plan).toEqual(solveJoint(worked).plan);
  });
  test('touching metal does not leak; a tight joint is shrunk and lapped', () => {
    const out = solveJoint(even(24.5, 24.5));
    expect(out.leak).toEqual({ concentric: 0, eccentric: 0 });
    expect(out.plan).toEqual([{ action: 'shrink', by: 0.015, steps: null }, { action: 'lap' }]);
    expect(solveJoint(even(24.485, 24.5)).plan).toEqual([]);
  });

  test('an oval receiver is trued first; a hopeless tenon ends the plan', () => {
    const oval = (by: number): JointInput => ({
      ...even(24.4, 24.5),
      receiver: [
        { at: 0, diameters: [24.5, 24.6] },
        { at: 20, diameters: [24.5, 24.5] },
      ],
      tenon: [
        { at: 0, diameters: [24.4, 24.4 + by] },
        { at: 20, diameters: [24.4, 24.4] },
      ],
    });
    expect(solveJoint(oval(0.05)).plan.map(({ action }) => action)).toEqual([
      'true-receiver',
      'round-tenon',
      'expand',
      'expand',
      'expand',
      'lap',
    ]);
    expect(solveJoint(oval(0.2)).plan.map(({ action }) => action)).toEqual(['true-receiver', 'replace-tenon']);
  });

  test('no overlap has no answer; a repeated depth is refused', () => {
    const apart = {
      ...even(24.4, 24.5),
      receiver: [
        { at: 30, diameters: [24.5, 24.5] },
        { at: 40, diameters: [24.5, 24.5] },
      ],
    };
    expect(runSolver('joint', apart).status).toBe('unsolvable');
    const twice = { ...worked, tenon: [...worked.tenon, { at: 12, diameters: [24, 24] }] };
    expect(runSolver('joint', twice)).toMatchObject({ problems: [{ path: '/tenon/3/at' }] });
  });
});

describe('annulusLeak', () => {
  test('an even annulus follows the textbook formula', () => {
    const [gap, diameter, length] = [0.02, 24.5, 20].map((mm) => mm / 1000) as [number, number, number];
    const expected = ((2500 * Math.PI * diameter * gap ** 3) / (12 * 1.81e-5 * length)) * 6e7;
    expect(
      annulusLeak(
        [
          { at: 0, gap: 0.02, diameter: 24.5 },
          { at: 20, gap: 0.02, diameter: 24.5 },
        ],
        2.5,
      ),
    ).toBeCloseTo(expected, 9);
  });
  test('a wedge follows its closed form', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.001, max: 0.1, noNaN: true }),
        fc.double({ min: 1.5, max: 50, noNaN: true }),
        (narrow, ratio) => {
          const wide = narrow * ratio;
          // ∫ dx/h³ over a wedge is L·(a + b)/(2a²b²).
          const closed = (20 * (narrow + wide)) / (2 * narrow ** 2 * wide ** 2) / 24.5;
          const expected = (2500 / (((12 * 1.81e-5) / Math.PI) * closed * 1e9)) * 6e7;
          const got = annulusLeak(
            [
              { at: 0, gap: narrow, diameter: 24.5 },
              { at: 20, gap: wide, diameter: 24.5 },
            ],
            2.5,
          );
          expect(got / expected).toBeCloseTo(1, 8);
        },
      ),
    );
  });
});
