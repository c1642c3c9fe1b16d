import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { solveConformity } from '.';
import { studentCdf, studentQuantile } from './studentT';

const worked = {
  readings: [9.02, 9.05, 9.03],
  gauge: { resolution: 0.01, maxPermissibleError: 0.02 },
  limits: { lower: 8.95, upper: 9.1 },
};
const perfect = { resolution: 0, maxPermissibleError: 0 };

describe('conformity', () => {
  test('worked example', () => {
    const out = solveConformity(worked);
    expect(out.mean).toBeCloseTo(9.03333, 5);
    expect(out.standardUncertainty).toBeCloseTo(0.0148137, 7);
    expect(out.degreesOfFreedom).toBeCloseTo(15.9209, 4);
    expect(out.expandedUncertainty).toBeCloseTo(0.0314162, 7);
    expect(out.verdict).toBe('within');
    expect(out.probabilityWithin).toBeCloseTo(0.999797, 6);
    expect(out.readingsNeeded).toBe(0);
  });

  test('one reading has no spread: the gauge alone decides, with infinite freedom', () => {
    const out = solveConformity({ ...worked, readings: [9.03] });
    expect(out.degreesOfFreedom).toBeNull();
    expect(out.expandedUncertainty).toBeCloseTo(1.959964 * Math.hypot(0.01 / Math.sqrt(12), 0.02 / Math.sqrt(3)), 6);
  });

  test('a perfect gauge on the limit is within, a hair past it outside', () => {
    const at = (x: number) => solveConformity({ readings: [x], gauge: perfect, limits: { upper: 0.3 } });
    expect(at(0.1 + 0.2)).toMatchObject({ verdict: 'within', probabilityWithin: 1, readingsNeeded: 0 });
    expect(at(0.3001)).toMatchObject({ verdict: 'outside', probabilityWithin: 0 });
  });

  test('says how many readings would decide, and null where no number would', () => {
    const noisy = solveConformity({ readings: [0.02, 0.03, 0.025], gauge: perfect, limits: { upper: 0.03 } });
    expect(noisy.verdict).toBe('undecided');
    expect(noisy.readingsNeeded).toBeGreaterThan(3);
    const coarse = solveConformity({ readings: [0.03], gauge: worked.gauge, limits: { upper: 0.03 } });
    expect(coarse).toMatchObject({ verdict: 'undecided', readingsNeeded: null });
  });

  test('the number it names is the smallest that decides', () => {
    // Pairs mean ± d keep mean and s nearly as they are; the rule itself is about the same mean and s.
    const out = solveConformity({ readings: [1, 1.2], gauge: perfect, limits: { upper: 1.2 } });
    expect(out.verdict).toBe('undecided');
    const s = Math.SQRT1_2 * 0.2;
    const decides = (n: number) => 1.1 + studentQuantile(0.975, n - 1) * (s / Math.sqrt(n)) <= 1.2;
    const expected = Array.from({ length: 48 }, (_, i) => i + 3).find(decides);
    expect(out.readingsNeeded).toBe(expected);
  });

  test('shifting readings and limits together changes no verdict', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: -50, max: 50 }), { minLength: 1, maxLength: 8 }),
        fc.integer({ min: -1000, max: 1000 }),
        (steps, shift) => {
          const at = (by: number) =>
            solveConformity({
              readings: steps.map((x) => x / 1000 + by),
              gauge: { resolution: 0.001, maxPermissibleError: 0.003 },
              limits: { lower: -0.0205 + by, upper: 0.0305 + by },
            });
          expect(at(shift).verdict).toBe(at(0).verdict);
        },
      ),
    );
  });
});

describe('Student t', () => {
  // Reference figures from published tables of the t distribution.
  test.each([
    [0.975, 1, 12.7062047],
    [0.975, 10, 2.22813885],
    [0.995, 30, 2.74999565],
    [0.975, 1e7, 1.95996422],
  ])('quantile(%p, %p)', (p, freedom, expected) => expect(studentQuantile(p, freedom)).toBeCloseTo(expected, 6));

  test('is smooth where the expansion takes over', () => {
    expect(studentQuantile(0.975, 1e5)).toBeCloseTo(studentQuantile(0.975, 1e5 + 1), 6);
    expect(studentCdf(0.5, 1e5)).toBeCloseTo(studentCdf(0.5, 1e5 + 1), 6);
  });
});
