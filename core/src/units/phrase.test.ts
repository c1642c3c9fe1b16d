import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import {
  along,
  degrees,
  joined,
  length,
  lengthUnits,
  mmPerUnit,
  parseNumber,
  parseQuantity,
  phrase,
  printPhrase,
  printQuantity,
  rulerOf,
  silence,
  stock,
  type KeptUnit,
} from '.';

describe('a figure in a sentence', () => {
  test.each([
    [length(0.0508), '0.051 mm', '0.0020 in', '2.0 thou'],
    [length(0.0712, 0.0081), '0.071 ± 0.008 mm', '0.0028 ± 0.0003 in', '2.8 ± 0.3 thou'],
    [length(-0.05), '−0.050 mm', '−0.0020 in', '−2.0 thou'],
    [along(127), '127 mm', '5.00 in', '5.00 in'],
    [along(126.6), '127 mm', '4.98 in', '4.98 in'],
    [stock(0.05), '0.05 mm', '0.0020 in', '2.0 thou'],
    [degrees(0.5), '0.50°', '0.50°', '0.50°'],
    [degrees(-0.5), '−0.50°', '−0.50°', '−0.50°'],
    [{ value: 1.5, unit: '°', uncertainty: 0.13 } as const, '1.50 ± 0.13°', '1.50 ± 0.13°', '1.50 ± 0.13°'],
    [{ value: 12.34, unit: 'mL/min', uncertainty: 0.6 } as const, ...same('12.34 ± 0.60 mL/min')],
    [{ value: 0.8, unit: 'N' } as const, ...same('0.80 N')],
    [{ value: 16387.064, unit: 'mm³' } as const, '16.39 cm³', '1.000 in³', '1.000 in³'],
    [{ value: -0.001, unit: 'mm³' } as const, '0.00 cm³', '0.000 in³', '0.000 in³'],
  ])('%j', (quantity, ...texts) => {
    expect(lengthUnits.map((unit) => printQuantity(quantity, unit))).toEqual(texts);
  });
  function same(text: string) {
    return [text, text, text] as const;
  }
  test('a place along a tube is looked for in whole inches by those who read in thousandths', () =>
    expect(lengthUnits.map(rulerOf)).toEqual(['mm', 'in', 'in']));
});

describe('a phrase', () => {
  test('keeps its figures until it is read, and its counts as they are', () => {
    const said = phrase`${2} pieces of ${length(0.0508)} at ${along(254)}.`;
    expect(said).toEqual(['2 pieces of ', length(0.0508), ' at ', along(254), '.']);
    expect(printPhrase(said, 'mm')).toBe('2 pieces of 0.051 mm at 254 mm.');
    expect(printPhrase(said, 'thou')).toBe('2 pieces of 2.0 thou at 10.00 in.');
  });
  test('can be part of another', () => {
    expect(phrase`Loose: ${phrase`by ${degrees(1)}`}.`).toEqual(['Loose: by ', degrees(1), '.']);
    expect(phrase``).toEqual(silence);
  });
  test('follows another where both say something', () => {
    expect(joined([['One.'], silence, ['Two.']])).toEqual(['One. Two.']);
    expect(joined([[along(1)], [along(2)]], ' to ')).toEqual([along(1), ' to ', along(2)]);
    expect(joined([silence, silence])).toEqual(silence);
  });
});

describe('a typed figure', () => {
  test.each([
    ['0.5', 0.5],
    ['0,5', 0.5],
    ['−1.5', -1.5],
    ['–1', -1],
    ['+2', 2],
    ['.5', 0.5],
    ['5.', 5],
    [' 3 ', 3],
    ['', null],
    ['.', null],
    ['1e3', null],
    ['3 mm', null],
    ['1,000.5', null],
    ['--1', null],
  ])('%j as a plain number is %j', (text, value) => expect(parseNumber(text)).toBe(value));
  test.each<[string, KeptUnit, number | null]>([
    ['0.17', 'mm', 4.318],
    ['3/16', 'mm', 4.7625],
    ['4.5mm', 'mm', 4.5],
    ['12.5', 'N', 12.5],
    ['12,5 n', 'N', 12.5],
    ['30°', '°', 30],
    ['4 mL/min', 'mL/min', 4],
    ['4 mm', 'N', null],
    ['', 'N', null],
  ])('%j kept in %s, typed for an inch job', (text, own, value) => {
    const parsed = parseQuantity(text, own, 'in');
    if (value === null) expect(parsed).toMatchObject({ ok: false, problem: expect.stringMatching(/example/) });
    else expect(parsed).toEqual({ ok: true, value: expect.closeTo(value, 9) });
  });
  test('what is printed is read again as what it was, to the last place shown', () => {
    fc.assert(
      fc.property(fc.integer({ min: -99_999, max: 99_999 }), fc.constantFrom(...lengthUnits), (thousandths, unit) => {
        const mm = thousandths / 1000;
        const parsed = parseQuantity(printQuantity(length(mm), unit), 'mm', 'mm');
        expect(parsed.ok).toBe(true);
        const shown = { mm: 0.001, in: 0.0001 * mmPerUnit.in, thou: 0.1 * mmPerUnit.thou }[unit];
        if (parsed.ok) expect(Math.abs(parsed.value - mm)).toBeLessThanOrEqual(shown / 2 + 1e-12);
      }),
    );
  });
});
