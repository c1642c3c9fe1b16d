import { expect, test } from '@jest/globals';
import { foldShop, shippedOperations } from '@holotonos/core';
import { plainTitle, stepTitle } from './stepTitle';

test('a title without the place for its part', () => {
  expect(['Renew the pad: {part}', 'Polish {part}', 'Wash'].map(plainTitle)).toEqual([
    'Renew the pad',
    'Polish',
    'Wash',
  ]);
});

test('the shop’s own words come before those that ship; what nobody knows keeps its name', () => {
  const [id, { title }] = [...shippedOperations][0] as [string, { title: string }];
  const { operations } = foldShop([]);
  const own = [{ id, work: { title: 'Our way: {part}' } }] as unknown as typeof operations;
  expect(stepTitle({ operations }, id)).toBe(plainTitle(title));
  expect(stepTitle({ operations: own }, id)).toBe('Our way');
  expect(stepTitle({ operations }, 'unheard-of')).toBe('unheard-of');
});
