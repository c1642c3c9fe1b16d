import { expect, test } from '@jest/globals';
import { parseLimit } from './parseLimit';

test.each([
  ['0.05', 'upper', 0.05],
  ['0,05', 'upper', 0.05],
  ['0.01 to 0.05', 'band', [0.01, 0.05]],
  ['0,01–0,05', 'band', [0.01, 0.05]],
  ['0.05', 'band', null],
  ['0.05 0.01', 'band', null],
  ['0.01 to 0.05', 'upper', null],
  ['a little', 'upper', null],
  ['', 'band', null],
] as const)('%s as %s', (text, shape, limit) => expect(parseLimit(text, shape)).toEqual(limit));
