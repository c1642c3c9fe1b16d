import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { lengthUnits, parseLength, parseSize, printFraction, printLength, printShort, printWithUncertainty } from '.';

const mm = (text: string, implied: 'mm' | 'in' | 'thou' = 'mm') => {
  const parsed = parseLength(text, implied);
  if (!parsed.ok) throw new Error(parsed.problem);
  return parsed.mm;
};

describe('parseLength', () => {
  test.each([
    ['0.05', 0.05],
    ['.05', 0.05],
    ['5.', 5],
    ['0,05', 0.05],
    ['.002in', 0.0508],
    ['2 thou', 0.0508],
    ['3/32in', 2.38125],
    ['1 1/8 in', 28.575],
    ['−0.02', -0.02],
    ['-0.02 mm', -0.02],
    ['1/4"', 6.35],
  ])('reads %s', (text, expected) => expect(mm(text)).toBeCloseTo(expected, 12));

  test('takes the implied unit when none is typed', () => {
    expect(mm('2', 'thou')).toBeCloseTo(0.0508, 12);
    expect(mm('2 mm', 'thou')).toBe(2);
  });

  test.each(['', '  ', 'abc', '1 2', '1/0in', '5 furlongs', '1e5', '--2', '0.05.1', '9'.repeat(400)])(
    'refuses %p with a plain problem',
    (text) => {
      const parsed = parseLength(text, 'mm');
      expect(parsed.ok).toBe(false);
      if (!parsed.ok) expect(parsed.problem.length).toBeGreaterThan(10);
    },
  );
});

describe('printing', () => {
  test('what is printed reads back to within half the last place', () => {
    fc.assert(
      fc.property(fc.double({ min: -500, max: 500, noNaN: true }), fc.constantFrom(...lengthUnits), (value, unit) => {
        const halfLastPlace = { mm: 0.0005, in: 0.00127, thou: 0.00127 }[unit];
        expect(Math.abs(mm(printLength(value, unit)) - value)).toBeLessThanOrEqual(halfLastPlace + 1e-9);
      }),
    );
  });
  test('fractions read back exactly', () => {
    fc.assert(
      fc.property(fc.integer({ min: -2000, max: 2000 }), (sixtyFourths) => {
        const length = (sixtyFourths / 64) * 25.4;
        expect(mm(printFraction(length))).toBeCloseTo(length, 9);
      }),
    );
  });
  test('no minus before zero, and a true minus elsewhere', () => {
    expect(printLength(-0.0001, 'mm')).toBe('0.000 mm');
    expect(printLength(-1, 'mm', 1)).toBe('−1.0 mm');
  });
  test('on a bag nothing stands at the end of a figure that says nothing', () => {
    const short = (mm: number, places = 2) => printShort(mm, 'mm', places);
    expect([short(17.5), short(10), short(100), short(0.1), short(2.1844, 4), short(1000, 1)]).toEqual([
      '17.5',
      '10',
      '100',
      '0.1',
      '2.1844',
      '1000',
    ]);
  });
  test('places follow the uncertainty', () => {
    expect(printWithUncertainty(0.03706, 0.0121, 'mm')).toBe('0.037 ± 0.012 mm');
    expect(printWithUncertainty(0.07, 0.0072, 'mm')).toBe('0.070 ± 0.007 mm');
    expect(printWithUncertainty(0.03706, 0, 'mm')).toBe('0.037 ± 0.000 mm');
  });
});

test('a size is a length that is more than nothing', () => {
  expect(parseSize('1.5', 'mm')).toEqual(parseLength('1.5', 'mm'));
  for (const nothing of ['0', '-2'])
    expect(parseSize(nothing, 'mm')).toEqual({ ok: false, problem: 'It must be more than 0.' });
  expect(parseSize('wide', 'mm')).toEqual(parseLength('wide', 'mm'));
});
