import { describe, expect, test } from '@jest/globals';
import {
  applyOptions,
  askWords,
  isWanted,
  measures,
  measureTable,
  shelfGauges,
  shippedTypes,
  unitOfMeasure,
  usualGauge,
  type MeasuringPoint,
} from '@holotonos/core';
import { isMeasuredGroup, measuredGroups, readFigure, partsToMeasure, typedUnit } from './groups';

describe('figures as they are typed', () => {
  test.each([
    ['0,05', 'gap', 'mm', 0.05],
    ['2 thou', 'gap', 'mm', 0.0508],
    ['-0.02', 'height', 'mm', -0.02],
    ['−0,3', 'deviation', 'mm', -0.3],
    ['1', 'rod', 'in', 25.4],
    ['12,5', 'leak', 'in', 12.5],
    ['0.45', 'force', 'thou', 0.45],
    ['0', 'lost-motion', 'mm', 0],
  ] as const)('%s as %s in %s', (text, measure, unit, value) => {
    const parsed = readFigure(text, measure, unit);
    expect(parsed.ok && parsed.value).toBeCloseTo(value, 9);
  });
  test.each([
    ['-1', 'gap', /A gap cannot be less than 0/],
    ['0', 'diameter', /A diameter must be more than 0/],
    ['-3', 'tube-inner', /must be more than 0/],
    ['-0.1', 'lost-motion', /less than 0/],
    ['-2', 'force', /less than 0/],
    ['', 'leak', /Type a figure/],
    ['twelve', 'force', /Type a figure/],
    ['abc', 'rod', /is not a length/],
  ] as const)('%s as %s is refused in words', (text, measure, words) => {
    const parsed = readFigure(text, measure, 'mm');
    expect(parsed.ok ? 'taken' : parsed.problem).toMatch(words);
  });
  test.each(measures)('%s: nothing at all is a figure only where there may be nothing', (measure) => {
    const mayBeNothing = ['gap', 'lost-motion', 'run-out', 'rise-and-fall', 'wear', 'key-gap', 'end-play'];
    const signed = ['height', 'deviation', 'mark-gap', 'lateness', 'cents'];
    const ofItsOwnUnit = unitOfMeasure(measure) !== 'mm';
    expect(readFigure('0', measure, 'mm').ok).toBe(ofItsOwnUnit || [...mayBeNothing, ...signed].includes(measure));
    expect(readFigure('-1', measure, 'mm').ok).toBe(signed.includes(measure) || measure === 'lean');
  });
  test('what a tester shows on a scale of its own is typed as it shows it', () => {
    const dial = { unit: 'kPa', closed: 0, open: 2.5 };
    for (const text of ['0.5', '0,5 kPa', '0.5kpa'])
      expect(readFigure(text, 'leak-scale', 'mm', dial)).toEqual({ ok: true, value: 20 });
    expect(readFigure('-1', 'leak-scale', 'mm', { unit: 'marks', closed: -5, open: 5 })).toEqual({
      ok: true,
      value: 40,
    });
    expect(readFigure('half', 'leak-scale', 'mm', dial)).toMatchObject({
      ok: false,
      problem: expect.stringMatching(/what it shows/),
    });
    expect(typedUnit('leak-scale', 'mm', dial)).toBe('kPa');
    expect(typedUnit('leak-scale', 'mm')).toBe('%');
  });
  test('are asked for in their own unit', () => {
    expect([typedUnit('rod', 'thou'), typedUnit('force', 'thou'), typedUnit('leak', 'mm')]).toEqual([
      'thou',
      'N',
      'mL/min',
    ]);
  });
});

describe('every measure', () => {
  test.each(measures)('%s has words and a gauge on the shelf', (measure) => {
    expect(measureTable[measure].words.length).toBeGreaterThan(3);
    expect(shelfGauges.map(({ id }) => id)).toContain(usualGauge[measure]);
    expect(['mm', 'N', 'mL/min', '°', '%', 'cents']).toContain(unitOfMeasure(measure));
  });
});

describe('what is asked for', () => {
  const point = (group: string, measure: string) => ({ group, part: 'x', measure }) as MeasuringPoint;
  test.each([
    ['post', 'post-gap', 'gap to the post above it'],
    ['post', 'height', 'height of the post'],
    ['post', 'lean', 'lean from upright'],
    ['hinge', 'post-gap', 'gap between the posts'],
    ['rim', 'height', 'rim height'],
    ['rim', 'diameter', 'hole diameter'],
    ['pad', 'height', 'opening height'],
    ['pad', 'gap', 'gap at the lightest touch'],
    ['bore', 'diameter', 'bore diameter'],
    ['joint', 'tenon', 'tenon'],
  ])('%s %s in words', (group, measure, words) => expect(askWords(point(group, measure))).toBe(words));
  test.each([
    ['hinge', 'run-out', false],
    ['post', 'run-out', true],
    ['rim', 'diameter', true],
    ['bore', 'diameter', false],
    ['pad', 'height', true],
    ['rim', 'height', false],
    ['pad', 'gap', false],
    ['spring', 'weight', true],
    ['hinge', 'end-play', true],
    ['hinge', 'rod', false],
  ])('%s %s waits for no one: %s', (group, measure, optional) =>
    expect(isWanted(point(group, measure))).toBe(optional),
  );
});

describe('groups', () => {
  test.each(shippedTypes.map((type) => [type.id, applyOptions(type, [])] as const))(
    '%s has parts to measure in its groups, each once',
    (_id, type) => {
      for (const { id } of measuredGroups) {
        const parts = partsToMeasure(type, id);
        expect(new Set(parts).size).toBe(parts.length);
        const none = (id === 'link' && type.links.length === 0) || (id === 'joint' && type.joints.length === 0);
        expect([id, parts.length > 0]).toEqual([id, !none]);
      }
    },
  );
  test('are known by name', () => {
    expect([isMeasuredGroup('hinge'), isMeasuredGroup('pitch'), isMeasuredGroup(null)]).toEqual([true, false, false]);
  });
});
