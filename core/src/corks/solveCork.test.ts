import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { runSolver } from '../solvers';
import type { CorkOutput } from './cork.schema';

const input = {
  gap: 1.2,
  stock: [0.8, 1.2, 1.6, 2.0],
  piece: { length: 12, width: 5 },
  offcuts: [
    { id: 'a', thickness: 1.6, length: 30, width: 6 },
    { id: 'b', thickness: 1.6, length: 6, width: 14 },
    { id: 'c', thickness: 1.2, length: 13, width: 6 },
  ],
};
const solved = (change: object = {}): CorkOutput => {
  const result = runSolver('cork', JSON.parse(JSON.stringify({ ...input, ...change })));
  if (result.status !== 'solved') throw new Error(JSON.stringify(result));
  return result.output as CorkOutput;
};

describe('a cork', () => {
  test('as worked on paper', () => {
    expect(solved()).toEqual({
      need: expect.closeTo(1.411765, 6),
      stock: 1.6,
      takeOff: expect.closeTo(0.188235, 6),
      offcut: 'b',
    });
  });
  test('without a piece no offcut is spoken of; with one that fits nowhere there is none', () => {
    expect(solved({ piece: undefined })).not.toHaveProperty('offcut');
    expect(solved({ piece: { length: 40, width: 5 } }).offcut).toBeNull();
    expect(solved({ piece: { length: 14, width: 6 } }).offcut).toBe('b');
    expect(solved({ piece: { length: 30, width: 6 } }).offcut).toBe('a');
  });
  test('a sheet exactly as thick as is needed is thick enough', () => {
    expect(solved({ gap: 1.36 })).toMatchObject({ stock: 1.6, takeOff: expect.closeTo(0, 9) });
  });
  test('two layers where one is not enough, the least that will do, thickest first', () => {
    expect(solved({ gap: 2.3 })).toMatchObject({ stock: null, takeOff: null, layers: [2, 0.8], offcut: null });
    expect(solved({ gap: 3.4 }).layers).toEqual([2, 2]);
    expect(solved({ gap: 3.5 }).layers).toBeNull();
    expect(solved()).not.toHaveProperty('layers');
  });
  test('what is chosen is enough, and nothing thinner would be', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 400 }),
        fc.integer({ min: 0, max: 50 }),
        fc.uniqueArray(fc.integer({ min: 1, max: 40 }), { minLength: 1, maxLength: 8 }),
        (gap, squeeze, sizes) => {
          const stock = sizes.map((size) => size / 10);
          const { need, stock: sheet, layers } = solved({ gap: gap / 100, squeeze: squeeze / 100, stock });
          expect(need * (1 - squeeze / 100)).toBeCloseTo(gap / 100, 9);
          const enough = (size: number) => size >= need - 1e-9;
          if (sheet !== null)
            expect([enough(sheet), stock.some((each) => each < sheet && enough(each))]).toEqual([true, false]);
          else {
            expect(stock.some(enough)).toBe(false);
            const sums = stock.flatMap((a) => stock.map((b) => a + b)).filter(enough);
            expect(layers === null).toBe(sums.length === 0);
            if (layers) {
              expect(layers[0]).toBeGreaterThanOrEqual(layers[1]);
              expect(layers[0] + layers[1]).toBeCloseTo(Math.min(...sums), 9);
            }
          }
        },
      ),
    );
  });
  test('offcuts that cannot be told apart have no answer', () => {
    const result = runSolver('cork', { ...input, offcuts: [input.offcuts[0], input.offcuts[0]] });
    expect(result).toMatchObject({ status: 'unsolvable', message: expect.stringContaining('“a”') });
  });
});
