import { expect, test } from '@jest/globals';
import { freshShop, type BenchQuestion, type BenchSummary, type ScheduleOutput, type ShopState } from '@holotonos/core';
import { benchCalendar } from './calendar';

const start = '2026-03-28T21:00:00.000Z';
const task = (title: string) => ({ ticket: 'LL-1', operation: title, title, attended: 60, unattended: 90 });
const question = {
  input: { calendar: { start, timeZone: 'Europe/Berlin', week: {}, closed: [] } },
  tasks: { 'LL-1/glue': task('Glue the crack'), 'LL-1/look': task('Look') },
} as unknown as BenchQuestion;
const schedule = {
  tasks: [
    { id: 'LL-1/glue', start: 0, attendedEnd: 60, end: 150, person: 'juno' },
    { id: 'LL-1/look', start: 200, attendedEnd: 200, end: 200, person: 'gone' },
  ],
  late: [],
} as unknown as ScheduleOutput;
const shop: ShopState = { ...freshShop, people: [{ id: 'juno', name: 'Juno Tam', skills: [] }] };
const summaries = [
  { ticket: 'LL-1', dueBy: '2026-03-29', instrument: 'Flute', signedOff: false },
  { ticket: 'LL-2', dueBy: null, instrument: 'Oboe', signedOff: false },
] as unknown as BenchSummary[];

const eventsOf = (text: string) =>
  text
    .replace(/\r\n[ \t]/g, '')
    .split('BEGIN:VEVENT')
    .slice(1)
    .map((event) => {
      const line = (name: string) => new RegExp(`^${name}[^:]*:(.*)$`, 'm').exec(event)?.[1]?.trim() ?? '';
      return { starts: line('DTSTART'), ends: line('DTEND'), says: line('SUMMARY'), who: line('DESCRIPTION') };
    });

test('each piece has an id of its own that is the same at the next fetch', () => {
  const ids = () =>
    [
      ...benchCalendar({ question, schedule, summaries, shop }, { ticket: null, person: null }).matchAll(
        /^UID:(.*)\r$/gm,
      ),
    ].map(([, id]) => id);
  expect(ids().slice(0, 2)).toEqual(['LL-1.glue.1@holotonos', 'LL-1.glue.cured@holotonos']);
  expect(new Set(ids()).size).toBe(ids().length);
  expect(ids()).toEqual(ids());
});

test('every event ends after it starts, and people have their names', () => {
  const events = eventsOf(benchCalendar({ question, schedule, summaries, shop }, { ticket: null, person: null }));
  expect(events.length).toBeGreaterThanOrEqual(3);
  for (const { starts, ends } of events) expect(ends > starts).toBe(true);
  const work = events.find(({ says }) => says.includes('Glue') && !says.includes('cured'));
  expect(work).toMatchObject({ starts: '20260328T210000Z', ends: '20260328T220000Z', who: 'Juno Tam' });
  expect(events.find(({ says }) => says.includes('cured'))).toMatchObject({
    starts: '20260328T233000Z',
    ends: '20260328T234500Z',
  });
});

test('a due date is that whole day, wherever this runs and whatever its zone does that night', () => {
  const due = eventsOf(benchCalendar({ question, schedule: null, summaries, shop }, { ticket: null, person: null }));
  expect(due).toEqual([{ starts: '20260329', ends: '20260330', says: 'LL-1 due: Flute', who: '' }]);
});

test('only what was asked for', () => {
  const of = (only: { ticket: string | null; person: string | null }) =>
    eventsOf(benchCalendar({ question, schedule, summaries, shop }, only)).map(({ says }) => says);
  expect(of({ ticket: 'LL-2', person: null })).toEqual([]);
  expect(of({ ticket: null, person: 'juno' })).toEqual(['LL-1 Glue the crack']);
});

test('work that goes on another day is two events, and a phone can tell them apart', () => {
  const week = Object.fromEntries(
    ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'].map((day) => [day, [['09:00', '10:00']]]),
  );
  const cut = {
    ...question,
    input: {
      calendar: { start: '2026-03-30T07:00:00.000Z', timeZone: 'Europe/Berlin', week, closed: [] },
      people: [{ id: 'juno', skills: [] }],
    },
  } as unknown as BenchQuestion;
  const long = { tasks: [{ id: 'LL-1/look', start: 0, attendedEnd: 1500, end: 1500, person: 'juno' }], late: [] };
  const text = benchCalendar(
    { question: cut, schedule: long as unknown as ScheduleOutput, summaries: [], shop },
    { ticket: null, person: null },
  );
  const uids = [...text.matchAll(/^UID:(.*)$/gm)].map(([, uid]) => uid);
  expect(uids).toHaveLength(2);
  expect(new Set(uids).size).toBe(2);
});

test('what has gone home is not due', () => {
  const home = summaries.map((each) => ({ ...each, signedOff: true }));
  expect(
    eventsOf(benchCalendar({ question, schedule: null, summaries: home, shop }, { ticket: null, person: null })),
  ).toEqual([]);
});
