import { expect, test } from '@jest/globals';
import { shippedTypes } from './instrumentTypes';
import { oncePerType } from './oncePerType';
import { placeOfPart } from './partNames';

const sax = shippedTypes.find(({ id }) => id === 'alto-saxophone');
if (!sax) throw new Error('there is no alto saxophone');

test('is made once for a type, nothing and false included, and anew for another of the same words', () => {
  let made = 0;
  const none = oncePerType(() => {
    made += 1;
    return null;
  });
  const other = structuredClone(sax);
  expect([none(sax), none(sax), none(other), none(other), none(sax)]).toEqual([null, null, null, null, null]);
  expect(made).toBe(2);
});

test('the place of a part is that of the type asked about, however often it was asked of another', () => {
  const moved = structuredClone(sax);
  const [hole] = moved.holes;
  if (!hole) throw new Error('it has no hole');
  const before = placeOfPart(sax, hole.id);
  hole.at += 5;
  expect(placeOfPart(moved, hole.id)?.at).toBe((before?.at ?? 0) + 5);
  expect(placeOfPart(sax, hole.id)).toEqual(before);
  expect([placeOfPart(sax, 'nobody'), placeOfPart(sax, 'nobody')]).toEqual([null, null]);
});
