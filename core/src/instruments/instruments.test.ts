import { describe, expect, test } from '@jest/globals';
import { problemsWith } from '../validation';
import {
  boreAt,
  instrumentType,
  instrumentTypeProblems,
  partNames,
  sectionStarts,
  shippedTypes,
  type InstrumentType,
} from '.';

describe('shipped instrument types', () => {
  test.each(shippedTypes.map((type) => [type.id, type] as const))('%s is well-formed and whole', (_id, type) => {
    expect(problemsWith('instrument_type', type)).toEqual([]);
    expect(instrumentTypeProblems(type)).toEqual([]);
    expect(type.pads.length).toBeGreaterThan(10);
    expect(type.holes.every(({ id }) => (partNames(type).get(id) ?? '').length > 0)).toBe(true);
  });
});

describe('the checker', () => {
  const flute = instrumentType('concert-flute-open-hole') as InstrumentType;
  const broken = (change: (type: InstrumentType) => void) => {
    const copy = structuredClone(flute);
    change(copy);
    return instrumentTypeProblems(copy)
      .map(({ message }) => message)
      .join('; ');
  };
  test.each<[string, (type: InstrumentType) => void, RegExp]>([
    [
      'a pad without a hole',
      (t) => ((t.pads[0] as InstrumentType['pads'][number]).hole = 'nowhere'),
      /pad without a hole/,
    ],
    ['a hole past the end', (t) => ((t.holes[0] as InstrumentType['holes'][number]).at = 4000), /4000 mm along/],
    ['a rod through no posts', (t) => t.posts.splice(0, 4), /needs two posts/],
    [
      'an id twice',
      (t) => t.holes.push(structuredClone(t.holes[0] as InstrumentType['holes'][number])),
      /stands twice/,
    ],
    [
      'a hinge inside its pad',
      (t) => ((t.pads[0] as InstrumentType['pads'][number]).axisDistance = 1),
      /inside the pad/,
    ],
  ])('finds %s', (_name, change, message) => expect(broken(change)).toMatch(message));
});

describe('geometry', () => {
  const sax = instrumentType('alto-saxophone') as InstrumentType;
  test('the bore runs straight between its points', () => {
    const bell = sax.sections.find(({ id }) => id === 'bell');
    expect(boreAt(bell as NonNullable<typeof bell>, 110)).toBeCloseTo(84, 9);
    expect(boreAt(bell as NonNullable<typeof bell>, 9999)).toBe(123);
  });
  test('sections stand end to end', () => {
    const starts = sectionStarts(sax, 10);
    expect(starts.get('body')).toBe(200);
  });
});
