import { describe, expect, test } from '@jest/globals';
import { dayIn, timeIn, zoneOffset } from '@holotonos/core';
import { brackwaterJobs } from './brackwater';
import { laidAt, storyEnds } from './laidAt';
import { lanternLane } from './lanternLane';

/** Every fifth entry of each ticket, with the first, which says by when, and the last, which says how old it is. */
const story = brackwaterJobs().map(({ entries }) => ({
  entries: entries.filter((_, i) => i % 5 === 0 || i === entries.length - 1),
}));
const allTimes = (entries: { benchTime: string }[]) => entries.map(({ benchTime }) => benchTime);
const lastOf = (times: string[]) => times.reduce((a, b) => (a > b ? a : b));

test('the story ends on the day it says', () => {
  const last = lastOf([...story.flatMap(({ entries }) => allTimes(entries)), ...allTimes(lanternLane())]);
  expect(last.slice(0, 10)).toBe(storyEnds);
});

describe.each(['UTC', 'America/New_York', 'Asia/Kolkata', 'Europe/Berlin'])('laid in %s', (zone) => {
  test.each([
    '2026-11-25T10:00:00.000Z',
    '2026-11-24T00:10:00.000Z',
    '2027-06-03T22:00:00.000Z',
    '2026-03-29T01:00:00.000Z',
  ])('at %s: within the week before, in the same hours of the same weekdays', (now) => {
    const laid = story.map(({ entries }) => laidAt(entries, now, zone));
    const last = lastOf([...laid.flatMap(allTimes), ...allTimes(laidAt(lanternLane(zone), now, zone))]);
    const age = (Date.parse(now) - Date.parse(last)) / 86_400_000;
    expect(age).toBeGreaterThan(0);
    expect(age).toBeLessThan(8.5);
    const weekday = (day: string) => new Date(`${day.slice(0, 10)}T12:00:00Z`).getUTCDay();
    expect(
      laid.map((list) => list.map(({ benchTime }) => [timeIn(benchTime, zone), weekday(dayIn(benchTime, zone))])),
    ).toEqual(
      story.map(({ entries }) => entries.map(({ benchTime }) => [benchTime.slice(11, 16), weekday(benchTime)])),
    );
    const dueBy = (list: (typeof story)[number]['entries']) => (list[0]?.body as { dueBy?: string }).dueBy ?? '';
    const [before, after] = [dueBy(story[0]?.entries ?? []), dueBy(laid[0] ?? [])];
    expect(before).not.toBe('');
    // As far ahead of the work as it was.
    expect(Date.parse(after) - Date.parse(`${dayIn(laid[0]?.[0]?.benchTime ?? '', zone)}T00:00:00Z`)).toBe(
      Date.parse(before) - Date.parse(`${story[0]?.entries[0]?.benchTime.slice(0, 10)}T00:00:00Z`),
    );
  });
});

test('words are left alone, whatever they hold', () => {
  const note = { text: 'Read on 2026-11-23, and again 2026-11-23T09:00:00Z.', n: 1, none: null, list: ['2026-11-20'] };
  expect(laidAt(note, '2026-12-02T10:00:00.000Z', 'UTC')).toEqual({ ...note, list: ['2026-11-27'] });
  expect(zoneOffset('2026-11-23T00:00:00Z', 'Asia/Kolkata')).toBe(330);
});
