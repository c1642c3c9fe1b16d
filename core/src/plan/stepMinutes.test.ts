import { describe, expect, test } from '@jest/globals';
import { stepMinutes } from './stepMinutes';

describe('the minutes of a step', () => {
  const table = { low: 10, likely: 20, high: 30 };
  const step = (again: boolean, minutes = table) =>
    stepMinutes({ kind: 'dress-rim', table: minutes, again }, 'saxophone', {}).minutes;
  test('are those of the table where the shop has learned nothing', () => expect(step(false)).toEqual(table));
  test('are less where it is only looked at again: a fifth at best, half as a rule, all of it at worst', () => {
    expect(step(true)).toEqual({ low: 2, likely: 10, high: 30 });
    // Nothing is looked at in no time.
    expect(step(true, { low: 1, likely: 1, high: 1 })).toEqual({ low: 1, likely: 1, high: 1 });
  });
});
