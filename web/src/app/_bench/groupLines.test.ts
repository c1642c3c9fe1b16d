import { expect, test } from '@jest/globals';
import type { ScheduleOutput } from '@holotonos/core';
import type { TicketLine } from '@holotonos/store';
import { groupLines, handsOf } from './groupLines';

const line = (ticket: string, stage: string | null): TicketLine =>
  ({ ticket, summary: stage === null ? null : { ticket, stage } }) as unknown as TicketLine;
const lines = [line('A', 'pads'), line('B', 'survey'), line('C', 'signed off'), line('D', 'pads'), line('E', null)];
const hands = new Map([
  ['B', 'Perrin Oake'],
  ['D', 'Juno Tam'],
  ['A', 'Perrin Oake'],
]);
const shown = (by: 'none' | 'stage' | 'hands') =>
  groupLines(lines, by, hands).map(({ name, lines: of }) => [name, of.map(({ ticket }) => ticket).join('')]);

test('in order nothing is grouped; by stage the work goes on down the list; within a group the order stays', () => {
  expect(shown('none')).toEqual([['', 'ABCDE']]);
  expect(shown('stage')).toEqual([
    ['survey', 'B'],
    ['pads', 'AD'],
    ['signed off', 'C'],
    ['Not to be read', 'E'],
  ]);
});
test('by whose turn it is, by name; what is nobody’s comes last', () => {
  expect(shown('hands')).toEqual([
    ['Juno Tam', 'D'],
    ['Perrin Oake', 'AB'],
    ['Nobody’s turn', 'CE'],
  ]);
  expect(groupLines([], 'hands', hands)).toEqual([]);
});
test('a ticket is in the hands its next piece of work is given to; cures and people who are gone are nobody’s', () => {
  const task = (id: string, start: number, attendedEnd: number, person?: string) =>
    ({ id, start, attendedEnd, end: attendedEnd, ...(person && { person }) }) as ScheduleOutput['tasks'][number];
  const people = [
    { id: 'juno', name: 'Juno Tam' },
    { id: 'perrin', name: 'Perrin Oake' },
  ];
  const tasks = [
    task('A/later', 40, 50, 'juno'),
    task('A/first', 10, 20, 'perrin'),
    task('B/cures', 0, 0, 'juno'),
    task('C/gone', 0, 10, 'ottoline'),
    task('C/then', 30, 35, 'juno'),
    task('D/alone', 0, 10),
  ];
  expect([...handsOf({ schedule: { tasks }, shop: { people } })]).toEqual([
    ['A', 'Perrin Oake'],
    ['C', 'Juno Tam'],
  ]);
  expect(handsOf({ schedule: null, shop: { people } }).size).toBe(0);
});
