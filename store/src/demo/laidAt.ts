import { dayAfter, daysBetween, dayIn, momentAt } from '@holotonos/core';

/** The last day anything of the story is written on; it is laid in the days before the one the demo is loaded on. */
export const storyEnds = '2026-11-23';
const week = 7;

const moment = /^(\d{4}-\d{2}-\d{2})T(\d{2}:\d{2}:\d{2}(?:\.\d+)?)Z$/;
const day = /^\d{4}-\d{2}-\d{2}$/;

/**
 * Moves everything that is dated so that the story ended within the last week: by whole weeks, so that nobody worked on a
 * Sunday. Times of day stay what they were, on the clocks of the shop's zone.
 *
 * @param now the moment it is loaded, ISO
 */
export function laidAt<T>(story: T, now: string, timeZone: string): T {
  const days = Math.floor((daysBetween(storyEnds, dayIn(now, timeZone)) - 1) / week) * week;
  const moved = (value: unknown): unknown => {
    if (typeof value === 'string') {
      const [, date, time] = moment.exec(value) ?? [];
      if (date !== undefined && time !== undefined) return momentAt(dayAfter(date, days), time, timeZone);
      return day.test(value) ? dayAfter(value, days) : value;
    }
    if (Array.isArray(value)) return value.map(moved);
    if (value === null || typeof value !== 'object') return value;
    return Object.fromEntries(Object.entries(value).map(([key, inner]) => [key, moved(inner)]));
  };
  return moved(story) as T;
}
