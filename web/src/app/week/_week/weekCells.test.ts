import { expect, test } from '@jest/globals';
import type { Stretch } from '@holotonos/core';
import { shownDays, weekCells } from './weekCells';

const work = (task: string, from: string, to: string): Stretch => ({ task, kind: 'work', from, to, person: null });
const cure = (task: string, from: string, to: string): Stretch => ({ task, kind: 'cure', from, to, person: null });
const titles = (cells: ReturnType<typeof weekCells>['cells'], ticket: string) =>
  Object.fromEntries([...(cells.get(ticket) ?? [])].map(([day, list]) => [day, list.map(({ kind }) => kind)]));

test('work stands on its day in the zone of the shop, what cures on every day it cures', () => {
  const { cells, workdays, last } = weekCells(
    [
      work('A/glue', '2026-11-23T23:30:00Z', '2026-11-24T00:30:00Z'),
      cure('A/glue', '2026-11-24T00:30:00Z', '2026-11-26T08:00:00Z'),
      work('B/look', '2026-11-25T09:00:00Z', '2026-11-25T10:00:00Z'),
    ],
    'Europe/Berlin',
  );
  expect(titles(cells, 'A')).toEqual({
    '2026-11-24': ['work', 'cure'],
    '2026-11-25': ['cure'],
    '2026-11-26': ['cure'],
  });
  expect(titles(cells, 'B')).toEqual({ '2026-11-25': ['work'] });
  expect([...workdays]).toEqual(['2026-11-24', '2026-11-25']);
  expect(last).toBe('2026-11-26');
});

test('elsewhere the same work is on the evening before', () => {
  const { cells } = weekCells([work('A/glue', '2026-11-24T03:30:00Z', '2026-11-24T04:30:00Z')], 'America/New_York');
  expect([...(cells.get('A')?.keys() ?? [])]).toEqual(['2026-11-23']);
});

test('work past midnight stands where it begins, and lasts to the next day', () => {
  const { cells, last } = weekCells([work('A/x', '2026-11-24T22:00:00Z', '2026-11-25T01:00:00Z')], 'UTC');
  expect([[...(cells.get('A')?.keys() ?? [])], last]).toEqual([['2026-11-24'], '2026-11-25']);
});

test('of nothing there is nothing', () =>
  expect(weekCells([], 'UTC')).toEqual({ cells: new Map(), workdays: new Set(), last: null }));

test('a week may begin on any day: five ordinary days, and a weekend only where somebody works', () => {
  expect(shownDays('2026-11-27', new Set())).toEqual([
    '2026-11-27',
    '2026-11-30',
    '2026-12-01',
    '2026-12-02',
    '2026-12-03',
  ]);
  expect(shownDays('2026-11-28', new Set(['2026-11-28', '2026-12-06']))).toEqual([
    '2026-11-28',
    '2026-11-30',
    '2026-12-01',
    '2026-12-02',
    '2026-12-03',
    '2026-12-04',
  ]);
});
