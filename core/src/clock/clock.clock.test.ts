import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import {
  clockWords,
  dayAfter,
  dayIn,
  daysBetween,
  dayText,
  isTimeZone,
  lastMinuteOf,
  momentAt,
  momentText,
  mondayOf,
  monthsAfter,
  shortDayText,
  timeIn,
  weekdayText,
  zoneOffset,
} from '.';

// These run in several zones of the machine (see bin/test --help): none of them may show.
const zones = ['UTC', 'America/New_York', 'Asia/Kolkata', 'Europe/Berlin', 'Pacific/Kiritimati', 'Pacific/Pago_Pago'];
const days = fc
  .date({ min: new Date('1990-01-01T00:00:00Z'), max: new Date('2090-01-01T00:00:00Z'), noInvalidDate: true })
  .map((date) => date.toISOString().slice(0, 10));

describe('a moment is told by the shop’s clock', () => {
  const late = '2026-11-23T23:30:00.000Z';
  test.each([
    ['UTC', '23 Nov 2026', '23 Nov, 23:30', '2026-11-23'],
    ['America/New_York', '23 Nov 2026', '23 Nov, 18:30', '2026-11-23'],
    ['Asia/Kolkata', '24 Nov 2026', '24 Nov, 05:00', '2026-11-24'],
    ['Europe/Berlin', '24 Nov 2026', '24 Nov, 00:30', '2026-11-24'],
    ['Nowhere/Atall', '23 Nov 2026', '23 Nov, 23:30', '2026-11-23'],
  ])('in %s', (zone, day, moment, iso) => {
    expect(dayText(late, zone)).toBe(day);
    expect(shortDayText(late, zone)).toBe(day.replace(' 2026', ''));
    expect(momentText(late, zone)).toBe(moment);
    expect(timeIn(late, zone)).toBe(moment.slice(-5));
    expect(dayIn(late, zone)).toBe(iso);
    const words = clockWords(zone);
    expect([words.dayText(late), words.shortDayText(late), words.momentText(late)]).toEqual([
      day,
      day.replace(' 2026', ''),
      moment,
    ]);
    expect([words.timeText(late), words.dayOf(late), words.zone]).toEqual([moment.slice(-5), iso, zone]);
    expect(clockWords(zone)).toBe(words);
  });
  test('a day is the same everywhere', () => {
    for (const zone of zones) expect(dayText('2026-11-23', zone)).toBe('23 Nov 2026');
    expect(weekdayText('2026-11-23')).toBe('Mon 23 Nov');
  });
  test('nothing is told of nothing, and what is no time stays what it was', () => {
    expect(dayText('', 'UTC')).toBe('');
    expect(momentText('soon', 'UTC')).toBe('soon');
  });
});

describe('summer time', () => {
  test('the same clock time on both sides of the change', () => {
    expect(momentText('2026-03-29T00:59:00Z', 'Europe/Berlin')).toBe('29 Mar, 01:59');
    expect(momentText('2026-03-29T01:00:00Z', 'Europe/Berlin')).toBe('29 Mar, 03:00');
    expect(momentText('2026-10-25T00:30:00Z', 'Europe/Berlin')).toBe('25 Oct, 02:30');
    expect(momentText('2026-10-25T01:30:00Z', 'Europe/Berlin')).toBe('25 Oct, 02:30');
    expect([
      zoneOffset('2026-03-29T00:59:00Z', 'Europe/Berlin'),
      zoneOffset('2026-03-29T01:00:00Z', 'Europe/Berlin'),
    ]).toEqual([60, 120]);
  });
  test('a day of 23 and one of 25 hours end with their last minute', () => {
    expect(lastMinuteOf('2026-03-28', 'Europe/Berlin')).toBe('2026-03-28T22:59:00.000Z');
    expect(lastMinuteOf('2026-03-29', 'Europe/Berlin')).toBe('2026-03-29T21:59:00.000Z');
    expect(lastMinuteOf('2026-10-25', 'Europe/Berlin')).toBe('2026-10-25T22:59:00.000Z');
  });
  test('nine in the morning is nine in the morning', () => {
    expect(momentAt('2026-03-28', '09:00:00.250', 'Europe/Berlin')).toBe('2026-03-28T08:00:00.250Z');
    expect(momentAt('2026-03-29', '09:00', 'Europe/Berlin')).toBe('2026-03-29T07:00:00.000Z');
    expect(momentAt('2026-11-01', '09:00', 'America/New_York')).toBe('2026-11-01T14:00:00.000Z');
  });
});

describe('days and months are counted', () => {
  test.each([
    ['2026-11-30', 1, '2026-12-01'],
    ['2026-03-01', -1, '2026-02-28'],
    ['2028-02-28', 1, '2028-02-29'],
    ['2026-03-28', 2, '2026-03-30'],
  ])('%s and %i days', (day, count, after) => expect(dayAfter(day, count)).toBe(after));
  test.each([
    ['2026-08-31', 6, '2027-02-28'],
    ['2027-08-31', 6, '2028-02-29'],
    ['2026-01-31', 1, '2026-02-28'],
    ['2026-12-15', 1, '2027-01-15'],
    ['2026-03-31', -1, '2026-02-28'],
  ])('%s and %i months', (day, count, after) => expect(monthsAfter(day, count)).toBe(after));
  test('a week begins on Monday', () => {
    expect(['2026-11-23', '2026-11-25', '2026-11-29'].map(mondayOf)).toEqual(Array(3).fill('2026-11-23'));
    expect(mondayOf('2026-11-30')).toBe('2026-11-30');
  });
  test('any day moved and moved back is itself, and the days between are as many', () => {
    fc.assert(
      fc.property(days, fc.integer({ min: -4000, max: 4000 }), (day, count) => {
        expect(dayAfter(dayAfter(day, count), -count)).toBe(day);
        expect(daysBetween(day, dayAfter(day, count))).toBe(count);
      }),
    );
  });
  test('the clock of a zone shows, at the moment it shows it, that day and time', () => {
    fc.assert(
      fc.property(days, fc.integer({ min: 4, max: 23 }), fc.constantFrom(...zones), (day, hour, zone) => {
        const time = `${String(hour).padStart(2, '0')}:15`;
        const moment = momentAt(day, time, zone);
        expect([dayIn(moment, zone), timeIn(moment, zone)]).toEqual([day, time]);
        expect(dayIn(lastMinuteOf(day, zone), zone)).toBe(day);
        expect(dayIn(new Date(Date.parse(lastMinuteOf(day, zone)) + 60_000).toISOString(), zone)).toBe(
          dayAfter(day, 1),
        );
      }),
    );
  });
});

test('zones are known or not', () => {
  expect(zones.every(isTimeZone)).toBe(true);
  expect(['', 'Berlin', 'Mars/Base', '__proto__'].some(isTimeZone)).toBe(false);
});
