import { expect, test } from '@jest/globals';
import type { Stretch } from '@holotonos/core';
import { wallOf } from './wallDay';

const stretch = (task: string, from: string, to: string, person: string | null, kind: Stretch['kind'] = 'work') => ({
  task,
  kind,
  from: `2026-11-${from}:00.000Z`,
  to: `2026-11-${to}:00.000Z`,
  person,
});
const people = [
  { id: 'perrin', name: 'Perrin Oake' },
  { id: 'juno', name: 'Juno Tam' },
];
const titleOf = (task: string) => task.split('/')[1] ?? task;
const week: Stretch[] = [
  stretch('B/later', '25T09:00', '25T10:00', 'juno'),
  stretch('A/second', '24T09:30', '24T10:00', 'perrin'),
  stretch('A/first', '24T08:00', '24T09:30', 'perrin'),
  stretch('A/third', '24T10:00', '24T11:00', 'perrin'),
  stretch('C/fourth', '24T11:00', '24T12:00', 'perrin'),
  stretch('B/look', '24T08:00', '24T08:20', 'juno'),
  stretch('B/glue', '24T08:20', '24T12:20', null, 'cure'),
  stretch('C/nobody’s', '24T13:00', '24T13:30', null),
];
const at = (now: string, zone = 'UTC', cures: Stretch[] = []) =>
  wallOf(week, cures, people, titleOf, `2026-11-${now}:00.000Z`, zone);
const told = (now: string) =>
  Object.fromEntries(at(now).hands.map(({ name, works }) => [name, works.map(({ title }) => title).join(' ')]));

test('each pair of hands has the work at hand and the next of its day; what is over is gone', () => {
  expect(told('24T08:10')).toEqual({
    'Juno Tam': 'look',
    'Perrin Oake': 'first second',
    'The bench': 'nobody’s',
  });
  expect(told('24T09:30')).toEqual({ 'Perrin Oake': 'second third', 'The bench': 'nobody’s' });
});
test('after the last work of a day the next day hangs there', () => {
  expect(at('24T18:00')).toMatchObject({ day: '2026-11-25', hands: [{ name: 'Juno Tam' }], curing: [] });
  expect(at('25T10:00')).toEqual({ day: null, hands: [], days: [], curing: [] });
});
test('a day names its tickets once, in the order they are taken up, and says where one is worked on for the last time', () => {
  expect(at('24T08:00').days).toEqual([
    {
      day: '2026-11-24',
      tickets: [
        { ticket: 'A', isLast: true },
        { ticket: 'B', isLast: false },
        { ticket: 'C', isLast: true },
      ],
    },
    { day: '2026-11-25', tickets: [{ ticket: 'B', isLast: true }] },
  ]);
});
test('what cures is told with its end, three at most', () => {
  const glue = stretch('B/glue', '24T08:20', '24T12:20', null, 'cure');
  expect(at('24T08:20', 'UTC', [glue]).curing).toEqual([
    { ticket: 'B', title: 'glue', to: '2026-11-24T12:20:00.000Z' },
  ]);
  expect(at('24T08:20', 'UTC', [glue, glue, glue, glue]).curing).toHaveLength(3);
});
test('where a day ends earlier, late work is the next day’s', () => {
  const late = [stretch('A/x', '24T22:30', '24T23:00', 'juno')];
  expect(wallOf(late, [], people, titleOf, '2026-11-24T08:00:00.000Z', 'Europe/Berlin').day).toBe('2026-11-24');
  expect(wallOf(late, [], people, titleOf, '2026-11-24T08:00:00.000Z', 'Asia/Kolkata').day).toBe('2026-11-25');
});
