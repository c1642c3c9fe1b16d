import { expect, test } from '@jest/globals';
import { spanText } from '../../../ui/words';
import { latenessWords } from './latenessWords';

test.each([
  [0, '0 min'],
  [125, '2 h 5 min'],
  [23.4 * 60, '23 h 24 min'],
  [23.6 * 60, '1 d'],
  [52.2 * 60, '2 d 4 h'],
])('%d minutes by the clock on the wall are %s', (minutes, words) => expect(spanText(minutes)).toBe(words));

test('it is said whether another order could help', () => {
  expect(latenessWords(1, { total: 600, atLeast: 599.5 })).toMatch(
    /^1 ticket is late, by 10 h\. No order makes it less:/,
  );
  expect(latenessWords(3, { total: 3000, atLeast: 0 })).toMatch(
    /^3 tickets are late, by 2 d 2 h together\. A better order/,
  );
  expect(latenessWords(2, { total: 3000, atLeast: 1440 })).toBe(
    '2 tickets are late, by 2 d 2 h together. No order brings it under 1 d.',
  );
});
