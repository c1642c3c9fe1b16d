import { parseNumber } from '@holotonos/core';
import { describe, expect, test } from '@jest/globals';
import { hoursText, parseDays, parseHours, parseWeek } from './hoursText';

describe('opening hours as they are typed', () => {
  test.each([
    [
      '9-12:30, 13:30-17:30',
      [
        ['09:00', '12:30'],
        ['13:30', '17:30'],
      ],
    ],
    ['9:00 – 17.15', [['09:00', '17:15']]],
    ['8 to 24', [['08:00', '24:00']]],
    ['', []],
    ['noon to two', null],
    ['17-9', null],
    ['9-25', null],
    ['9:75-10', null],
  ])('%p', (typed, expected) => expect(parseHours(typed)).toEqual(expected));
  test('read back what they are written as', () => {
    const spans: [string, string][] = [
      ['08:30', '12:30'],
      ['13:15', '17:30'],
    ];
    expect(parseHours(hoursText(spans))).toEqual(spans);
    expect(hoursText()).toBe('');
  });
  test('a week names the first day that cannot be read', () => {
    const closed = { mon: '', tue: '', wed: '', thu: '', fri: '', sat: '', sun: '' };
    expect(parseWeek({ ...closed, tue: '9-10' })).toEqual({ tue: [['09:00', '10:00']] });
    expect(parseWeek({ ...closed, thu: 'late' })).toEqual({ unread: 'Thursday' });
  });
  test('closed days are dates', () => {
    expect(parseDays('2026-12-24, 2026-12-31')).toEqual(['2026-12-24', '2026-12-31']);
    expect(parseDays('')).toEqual([]);
    expect(parseDays('Christmas')).toBeNull();
    expect(parseDays('2026-13-41')).toBeNull();
  });
});

test.each([
  ['0,5', 0.5],
  ['−2', -2],
  [' 12 ', 12],
  ['.5', 0.5],
  ['12 mm', null],
  ['', null],
  ['1e3', null],
])('the plain figure %p', (typed, expected) => expect(parseNumber(typed)).toBe(expected));
