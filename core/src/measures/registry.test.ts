import { readdirSync } from 'node:fs';
import { describe, expect, test } from '@jest/globals';
import { applyOptions, shippedTypes } from '../instruments';
import { usualGauge } from '../metrology';
import { measureGroups, measures } from '../vocabulary';
import { allGroups, askWords, groupNamed, groupTable, isTickGroup, isWanted, measuringPoints, tickGroups } from '.';

const types = shippedTypes.map((type) => applyOptions(type, []));
const folders = readdirSync(import.meta.dirname, { withFileTypes: true })
  .filter((entry) => entry.isDirectory() && entry.name !== 'base')
  .map(({ name }) => name);

test('the registry and the vocabulary name the same groups, and each has a folder', () => {
  expect(allGroups().toSorted()).toEqual([...measureGroups].toSorted());
  const named = allGroups().map((group) => (group === 'body-line' ? 'line' : group));
  expect(named.toSorted()).toEqual(folders.toSorted());
});
test('what is no group has no definition, whatever objects have by birth', () => {
  expect(['toString', '', 'reed', '__proto__'].map(groupNamed)).toEqual([undefined, undefined, undefined, undefined]);
  expect(isTickGroup('bore')).toBe(false);
});
describe.each(allGroups())('%s', (group) => {
  const {
    places,
    walk,
    wanted = [],
    asked = [],
    ask = {},
    stations,
    heading,
  } = groupTable[group] as NonNullable<ReturnType<typeof groupNamed>>;
  const all = types.flatMap((type) => places(type).map((place) => ({ ...place, type })));

  test('has places on some instrument that ships, each once', () => {
    expect(all.length).toBeGreaterThan(0);
    const keys = all.map(({ type, part, measure, at, clock }) => [type.id, part, measure, at, clock].join(' '));
    expect(new Set(keys).size).toBe(keys.length);
  });
  test('asks for nothing without words and a gauge', () => {
    const measured = [...new Set(all.map(({ measure }) => measure))];
    for (const measure of measured) {
      expect(askWords({ group, measure }).length).toBeGreaterThan(3);
      expect(usualGauge[measure]).toBeDefined();
    }
    // A page of its own asks for something without being told to.
    if (heading !== null) expect(measured.filter((measure) => !isWanted({ group, measure }))).not.toEqual([]);
    expect(
      [...wanted, ...asked, ...Object.keys(ask)].filter((name) => !measures.some((each) => each === name)),
    ).toEqual([]);
  });
  test('is walked over parts that have places, each once', () => {
    for (const type of types) {
      const parts = new Set(places(type).map(({ part }) => part));
      const walked = walk?.(type) ?? [...parts];
      expect(new Set(walked).size).toBe(walked.length);
      expect(walked.filter((part) => !parts.has(part))).toEqual([]);
    }
    if (stations) expect(all.some(({ measure, at }) => measure === stations.measure && at !== undefined)).toBe(true);
  });
});
test('the places of a type stand group by group, and what it asks for besides comes last', () => {
  for (const type of types) {
    const own = measuringPoints(type);
    const besides = own.splice(own.length - type.measuringPoints.length);
    expect(besides.map(({ group, part }) => [group, part])).toEqual(
      type.measuringPoints.map(({ group, part }) => [group, part]),
    );
    const order = own.map(({ group }) => allGroups().indexOf(group));
    expect(order).toEqual(order.toSorted((a, b) => a - b));
  }
});
test('a gap or a wear may be nothing, what is wanted in one group may be asked for in another', () => {
  expect(isWanted({ group: 'hinge', measure: 'run-out' })).toBe(false);
  expect(isWanted({ group: 'body-line', measure: 'run-out' })).toBe(true);
  expect(isWanted({ group: 'pad', measure: 'height' })).toBe(true);
  expect(isWanted({ group: 'rim', measure: 'height' })).toBe(false);
});
test('what is seen has words and a key of its own in its group, and names what it finds', () => {
  for (const group of tickGroups) {
    const looks = groupNamed(group)?.looks ?? [];
    expect(looks.filter(({ id, words, press }) => !/^[a-z-]+$/.test(id) || words === '' || press.length !== 1)).toEqual(
      [],
    );
    expect(new Set(looks.map(({ press }) => press)).size).toBe(looks.length);
    expect(new Set(looks.map(({ id }) => id)).size).toBe(looks.length);
  }
});
test('groups that can be looked at say so', () =>
  expect(tickGroups).toEqual(allGroups().filter((group) => (groupNamed(group)?.looks ?? []).length > 0)));
