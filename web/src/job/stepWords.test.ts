import { describe, expect, test } from '@jest/globals';
import type { JobPlan, Step } from '@holotonos/core';
import { measureWords, nextWords, reachWords, spoiltWords } from './stepWords';

const step = (more: Partial<Step>) =>
  ({ id: 'x', title: 'Level the rim: E', status: 'waiting', waitsFor: [], gate: [], agreement: null, ...more }) as Step;
const plan = (steps: Step[], next: Step | null = null) => ({ steps, next }) as unknown as JobPlan;

describe('what comes next', () => {
  test('is a step, else what holds it up, else waiting or nothing', () => {
    const ready = step({ status: 'ready' });
    expect(nextWords(plan([ready], ready))).toBe('Level the rim: E');
    expect(nextWords({ ...plan([ready], ready), first: 'look' })).toBe('Look it over, part by part');
    expect(nextWords({ ...plan([ready], ready), first: 'decide' })).toBe('Decide on what was found');
    expect(nextWords(plan([step({ agreement: 'to-agree' })]))).toBe('Ask the owner first: Level the rim: E');
    expect(nextWords(plan([step({ agreement: 'refused' })]))).toMatch(/^The owner refused: Level the rim: E\./);
    const shut = { group: 'rim', part: 'e', open: false, why: 'rim of E is stale' } as const;
    expect(nextWords(plan([step({ gate: [shut] })]))).toBe('Measure first: rim of E is stale');
    const waits = { id: 'a', title: 'A', reason: '', until: null };
    expect(nextWords(plan([step({ waitsFor: [waits] })]))).toBe('Nothing can start now');
    expect(nextWords(plan([step({ status: 'done' })]))).toBe('Everything is done');
  });
});

test('measures, limits and figures in words', () => {
  const names = new Map([['e', 'E']]);
  expect([measureWords('rim:e', names), measureWords('pad:*', names)]).toEqual(['rim of E', 'every pad']);
  const reach = { name: 'rimFlatness', words: 'Rim flatness', unit: 'mm' } as const;
  expect(reachWords({ ...reach, limit: 0.02 }, 'mm')).toBe('Rim flatness: at most 0.020 mm');
  expect(reachWords({ ...reach, limit: null }, 'mm')).toMatch(/^Rim flatness: no limit is set/);
  expect(reachWords({ ...reach, limit: [0.01, 0.05] }, 'thou')).toBe('Rim flatness: 0.4 thou to 2.0 thou');
});

test('what goes stale is told group by group: few by name, many by number, all as every one', () => {
  const names = new Map([
    ['e', 'E'],
    ['f', 'F'],
  ]);
  expect(spoiltWords(['pad:e', 'rim:e', 'pad:f', 'link:*'], names)).toBe('pad of E, F; rim of E; every link');
  expect(
    spoiltWords(
      ['a', 'b', 'c', 'd', 'e'].map((part) => `pad:${part}`),
      names,
    ),
  ).toBe('pad of 5 parts');
  expect(spoiltWords(['pad:e', 'pad:*'], names)).toBe('every pad');
  expect(spoiltWords([], names)).toBe('');
});
