import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { runSolver } from '../solvers';
import type { SpringOutput } from './spring.schema';

const needle = {
  kind: 'needle',
  modulus: 200,
  yield: 2000,
  diameter: 0.8,
  length: 25,
  preset: 3,
  travel: 0.6,
  catchRadius: 4,
  touchRadius: 20,
  padRadius: 16,
  limits: { touch: [0.3, 0.5] },
  stock: [0.6, 0.7, 0.8, 0.9],
};
const solved = (input: object): SpringOutput => {
  const result = runSolver('spring', input);
  if (result.status !== 'solved') throw new Error(JSON.stringify(result));
  return result.output as SpringOutput;
};

describe('a spring', () => {
  test('as worked on paper', () => {
    const { rest, full, safety, verdict, setPreset, choose } = solved(needle);
    expect(rest.touch).toBeCloseTo(0.463247, 6);
    expect(rest.pad).toBeCloseTo(0.579058, 6);
    expect(rest.stress).toBeCloseTo(1152, 9);
    expect(full.touch).toBeCloseTo(0.555896, 6);
    expect(full.stress).toBeCloseTo(1382.4, 9);
    expect(safety).toBeCloseTo(1.446759, 6);
    expect(verdict).toBe('within');
    expect(setPreset).toBeCloseTo(2.590412, 6);
    expect(choose).toEqual({ size: 0.9, preset: expect.closeTo(1.617182, 6), safety: expect.closeTo(2.08807, 5) });
  });
  test('flat is thicker by its third power, wider by its first', () => {
    const flat = { ...needle, kind: 'flat', width: 3, thickness: 0.4, stock: undefined };
    delete flat.stock;
    const of = (change: object) => solved({ ...flat, ...change }).rest.touch;
    expect(of({ thickness: 0.8 }) / of({})).toBeCloseTo(8, 9);
    expect(of({ width: 6 }) / of({})).toBeCloseTo(2, 9);
    expect(solved(flat).choose).toBeNull();
  });
  test.each([
    [0.2, 'light'],
    [5, 'heavy'],
  ])('set by %f mm it is %s', (preset, verdict) => expect(solved({ ...needle, preset }).verdict).toBe(verdict));
  test('set as it says it stands in the middle of its limits, and what is chosen does too', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 30, max: 150 }),
        fc.integer({ min: 10, max: 60 }),
        fc.integer({ min: 5, max: 40 }),
        (hundredths, length, preset) => {
          const input = { ...needle, diameter: hundredths / 100, length, preset: preset / 10 };
          const { setPreset, choose } = solved(input);
          expect(solved({ ...input, preset: setPreset }).rest.touch).toBeCloseTo(0.4, 9);
          if (!choose) return;
          const chosen = solved({ ...input, diameter: choose.size, preset: choose.preset });
          expect(chosen.rest.touch).toBeCloseTo(0.4, 9);
          expect(chosen.safety).toBeCloseTo(choose.safety, 9);
          expect(chosen.safety).toBeGreaterThanOrEqual(1 / 0.6 - 1e-9);
          // No smaller one of the stock would have done.
          for (const size of needle.stock.filter((each) => each < choose.size)) {
            const set = solved({ ...input, diameter: size }).setPreset;
            expect(solved({ ...input, diameter: size, preset: set }).safety).toBeLessThan(1 / 0.6);
          }
        },
      ),
      { numRuns: 100 },
    );
  });
  test.each<[string, object, string]>([
    ['a needle without a diameter', { diameter: undefined }, '/diameter'],
    ['a flat spring without its width', { kind: 'flat', thickness: 0.4 }, '/width'],
    ['limits that run backwards', { limits: { touch: [0.5, 0.3] } }, '/limits/touch'],
    ['no length', { length: 0 }, '/length'],
  ])('%s is refused', (_, change, path) => {
    const result = runSolver('spring', JSON.parse(JSON.stringify({ ...needle, ...change })));
    expect(result.status === 'invalid-input' && result.problems.map((problem) => problem.path)).toContain(path);
  });
});
