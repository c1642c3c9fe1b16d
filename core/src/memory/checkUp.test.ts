import { expect, test } from '@jest/globals';
import { checkUpStanding } from '.';

test.each([
  ['2026-11-24', 'over'],
  ['2026-11-25', 'soon'],
  ['2027-01-09', 'soon'],
  ['2027-01-10', 'later'],
  ['2028-02-29', 'later'],
])('a check-up on %s is %s on 25 November', (day, standing) => {
  expect(checkUpStanding(day, '2026-11-25')).toBe(standing);
});
