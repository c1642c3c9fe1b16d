import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { runSolver } from '../solvers';
import { solveHinge, type HingeInput } from '.';

const worked: HingeInput = {
  tube: { outer: 4.5, inner: 2.55, length: 31.82 },
  rod: { diameter: 2.5 },
  posts: { gap: 31.98 },
  arm: { length: 24 },
  limits: { clearance: [0.01, 0.03], endPlay: [0.01, 0.05] },
  swage: { zone: 9, maxReduction: 0.05 },
};
const actions = (input: HingeInput) => solveHinge(input).remedies.map(({ action }) => action);

describe('hinge', () => {
  test('worked example', () => {
    const out = solveHinge(worked);
    expect(out.clearance).toBeCloseTo(0.05, 12);
    expect(out.endPlay).toBeCloseTo(0.16, 12);
    expect(out.padWander).toBeCloseTo(0.0377121, 7);
    expect(out.verdicts).toEqual({ clearance: 'loose', endPlay: 'loose' });
    expect(out.remedies).toHaveLength(1);
    const [swage] = out.remedies as {
      lengthen: number;
      newOuter: number;
      newInner: number;
      reduction: number;
      mostLengthen: number;
      feasible: boolean;
    }[];
    expect(swage?.lengthen).toBeCloseTo(0.18, 12);
    expect(swage?.newOuter).toBeCloseTo(4.452903, 6);
    expect(swage?.newInner).toBeCloseTo(2.52, 12);
    expect(swage?.reduction).toBeCloseTo(0.0104661, 7);
    expect(swage?.mostLengthen).toBeCloseTo(1.375276, 6);
    expect(swage?.feasible).toBe(true);
  });

  test('tight fits are reamed and faced to the middle of their limits', () => {
    const out = solveHinge({ ...worked, rod: { diameter: 2.56 }, posts: { gap: 31.8 } });
    expect(out).toMatchObject({ rockDegrees: 0, padWander: 0, verdicts: { clearance: 'tight', endPlay: 'tight' } });
    expect(
      out.remedies.map(({ action, ...rest }) => [action, Math.round((rest as { amount: number }).amount * 1e9) / 1e9]),
    ).toEqual([
      ['ream', 0.03],
      ['face', 0.05],
    ]);
  });

  test('an infeasible swage is still listed, then washers or a sleeve; clearance is seen to by itself', () => {
    const hard: HingeInput = {
      ...worked,
      swage: { zone: 9, maxReduction: 0.001 },
      stock: { washers: [0.05, 0.08, 0.13], rods: [2.51, 2.53, 2.52] },
    };
    expect(actions(hard)).toEqual(['swage', 'sleeve', 'swage', 'oversize-rod']);
    const washed = solveHinge({ ...hard, washersAllowed: true }).remedies;
    expect(washed[1]).toMatchObject({ action: 'washers', pieces: [0.13] });
    expect(washed[3]).toEqual({ action: 'oversize-rod', diameter: 2.52 });
    expect(actions({ ...hard, swage: undefined })).toEqual(['sleeve', 'oversize-rod']);
    expect(actions({ ...hard, swage: undefined, stock: undefined, washersAllowed: true })).toEqual(['sleeve']);
  });

  test('the metal keeps its volume', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.06, max: 0.6, noNaN: true }),
        fc.double({ min: 3, max: 12, noNaN: true }),
        (play, zone) => {
          const [swage] = solveHinge({ ...worked, posts: { gap: 31.82 + play }, swage: { zone, maxReduction: 0.9 } })
            .remedies as { newOuter: number; newInner: number; lengthen: number }[];
          const before = (4.5 ** 2 - 2.55 ** 2) * zone;
          const after = ((swage?.newOuter ?? 0) ** 2 - (swage?.newInner ?? 0) ** 2) * (zone + (swage?.lengthen ?? 0));
          expect(after).toBeCloseTo(before, 8);
        },
      ),
    );
  });

  test('a bore wider than its tube and reversed limits are refused', () => {
    expect(runSolver('hinge', { ...worked, tube: { outer: 2.5, inner: 2.5, length: 1 } })).toMatchObject({
      problems: [{ path: '/tube/inner' }],
    });
    expect(runSolver('hinge', { ...worked, limits: { clearance: [0.03, 0.01], endPlay: [0, 1] } })).toMatchObject({
      problems: [{ path: '/limits/clearance' }],
    });
    expect(runSolver('hinge', { ...worked, tube: { outer: 0, inner: 2.5, length: 1 } })).toMatchObject({
      status: 'invalid-input',
    });
  });
});
