import { expect, test } from '@jest/globals';
import { parseSizes, sizesText } from './sizesText';

test('sizes are read each in its own unit, once, smallest first; what is none is named', () => {
  expect(parseSizes('0.2 0.05; 0.05')).toEqual({ ok: true, mm: [0.05, 0.2] });
  const inches = parseSizes('4.3, 3/16in 2thou');
  expect(inches.ok && inches.mm.map((mm) => mm.toFixed(4))).toEqual(['0.0508', '4.3000', '4.7625']);
  expect(parseSizes('  ')).toEqual({ ok: true, mm: [] });
  expect(parseSizes('0.05 big')).toMatchObject({ ok: false, problem: expect.stringMatching(/“big” is no size/) });
  expect(parseSizes('0.05 -1')).toMatchObject({ ok: false });
  expect(parseSizes('0')).toMatchObject({ ok: false });
});
test('and told as they are typed', () => {
  expect(sizesText([0.05, 4.3, 4.7625])).toBe('0.05 4.3 4.7625');
  expect(parseSizes(sizesText([0.0508, 0.1]))).toEqual({ ok: true, mm: [0.0508, 0.1] });
});
