import { weekdays, type ScheduleWeek, type Weekday } from '@holotonos/core';

export const dayNames: Record<Weekday, string> = {
  mon: 'Monday',
  tue: 'Tuesday',
  wed: 'Wednesday',
  thu: 'Thursday',
  fri: 'Friday',
  sat: 'Saturday',
  sun: 'Sunday',
};

const spanPattern = /^(\d{1,2})[:.]?(\d{2})?\s*(?:-|–|to)\s*(\d{1,2})[:.]?(\d{2})?$/i;
const clock = (hours: string | undefined, minutes: string | undefined): string | null => {
  const [h, m] = [Number(hours), Number(minutes ?? '0')];
  if (h > 24 || m > 59 || (h === 24 && m > 0)) return null;
  return `${String(h).padStart(2, '0')}:${String(m).padStart(2, '0')}`;
};

/**
 * Opening hours of a day as they are typed, such as `9-12:30, 13:30-17:30`; nothing typed is closed. Null when they cannot
 * be read.
 */
export function parseHours(text: string): [string, string][] | null {
  const parts = text.split(',').flatMap((part) => (part.trim() === '' ? [] : [part.trim()]));
  const spans = parts.map((part): [string, string] | null => {
    const match = spanPattern.exec(part);
    const [from, to] = [clock(match?.[1], match?.[2]), clock(match?.[3], match?.[4])];
    return match && from !== null && to !== null && from < to ? [from, to] : null;
  });
  return spans.includes(null) ? null : (spans as [string, string][]);
}

/** Opening hours of a day as they would be typed. */
export const hoursText = (spans: readonly (readonly string[])[] = []): string =>
  spans.map(([from, to]) => `${from}–${to}`).join(', ');

/** A week from typed days; the name of the first day that cannot be read otherwise. */
export function parseWeek(typed: Readonly<Record<Weekday, string>>): ScheduleWeek | { unread: string } {
  const week: ScheduleWeek = {};
  for (const day of weekdays) {
    const spans = parseHours(typed[day]);
    if (spans === null) return { unread: dayNames[day] };
    if (spans.length > 0) week[day] = spans;
  }
  return week;
}

/** Days as they are typed, `2026-12-24, 2026-12-31`; null when one is no date. */
export function parseDays(text: string): string[] | null {
  const days = text.split(/[\s,;]+/).filter(Boolean);
  const good = days.every((day) => /^\d{4}-\d{2}-\d{2}$/.test(day) && !Number.isNaN(Date.parse(day)));
  return good ? days : null;
}
