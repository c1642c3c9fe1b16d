import { TZDate, tzOffset } from '@date-fns/tz';
import { Unsolvable } from '../metrology';
import { weekdays, type ScheduleCalendar, type Weekday } from './schedule.schema';

/** Time in which hands can work. Minutes from the start of the schedule. */
export interface OpenTime {
  /** the first moment at or after `from` at which attended work can begin */
  begin: (from: number) => number;
  /** the moment at which `minutes` of attended work that begin at `from` are done, pausing while closed */
  finish: (from: number, minutes: number) => number;
  /** how many open minutes lie between two moments */
  between: (from: number, to: number) => number;
  /** the open spans between two moments, cut off at both */
  spans: (from: number, to: number) => Span[];
}

export interface Span {
  from: number;
  to: number;
}

/** Time runs on: always open. */
export const alwaysOpen: OpenTime = {
  begin: (from) => from,
  finish: (from, minutes) => from + minutes,
  between: (from, to) => Math.max(0, to - from),
  spans: (from, to) => (to > from ? [{ from, to }] : []),
};

const minuteMs = 60_000;
/** Minutes below which a rest of work is rounding. */
const sliver = 1e-9;
const dayMs = 24 * 60 * minuteMs;
/** A shop closed for longer than this is taken to be closed for good. */
const mostClosedDays = 400;
/** Times are known up to here, as everywhere (see `momentSchema`). */
const endOfTime = Date.UTC(2100, 0, 1);
/** Open spans that are laid out for one schedule, all hands together: a question that wants more is no week of a shop. */
const mostSpans = 200_000;

const tooFar = (why: string) => new Unsolvable(`The work would not be done ${why}; the open hours are too few for it.`);

/** One day of the calendar: its date, its name, and when its clock shows a time, in minutes from the start. */
interface CalendarDay {
  iso: string;
  name: Weekday;
  at: (text: string) => number;
}

/** The days of a zone from a moment on, each worked out once however many hands ask; and how many spans they took. */
export interface CalendarDays {
  day: (index: number) => CalendarDay;
  /** @throws Unsolvable when more spans are taken than one schedule may */
  takeSpan: () => void;
}

/** Minutes from midnight that a clock shows, from `09:30`. */
export const wallMinutes = (text: string): number => {
  const [hours = 0, minutes = 0] = text.split(':').map(Number);
  return hours * 60 + minutes;
};

/** The days from the start of a calendar on. */
export function calendarDays({ start, timeZone }: Pick<ScheduleCalendar, 'start' | 'timeZone'>): CalendarDays {
  const origin = Date.parse(start);
  const first = new TZDate(origin, timeZone);
  /** midnight of the first day as if the zone were the world's: a day's own number, not yet a moment */
  const base = Date.UTC(first.getFullYear(), first.getMonth(), first.getDate());
  const known: CalendarDay[] = [];
  const offsets = new Map<number, number>();
  const offsetAt = (index: number) => {
    const offset = offsets.get(index) ?? tzOffset(timeZone, new Date(base + index * dayMs));
    offsets.set(index, offset);
    return offset;
  };
  const madeDay = (index: number): CalendarDay => {
    const date = new Date(base + index * dayMs);
    const [year, month, dayOfMonth] = [date.getUTCFullYear(), date.getUTCMonth(), date.getUTCDate()];
    const offset = offsetAt(index - 1);
    // Far from a change of the clock a day is plain arithmetic; only near one is the zone asked hour by hour.
    const steady = [0, 1, 2].every((after) => offsetAt(index + after) === offset);
    const at = (text: string) => {
      const minutes = wallMinutes(text);
      const moment = steady
        ? date.getTime() + (minutes - offset) * minuteMs
        : new TZDate(year, month, dayOfMonth, 0, minutes, timeZone).getTime();
      return (moment - origin) / minuteMs;
    };
    return { iso: date.toISOString().slice(0, 10), name: weekdays[(date.getUTCDay() + 6) % 7] ?? 'mon', at };
  };
  let taken = 0;
  return {
    day: (index) => {
      if (base + index * dayMs >= endOfTime) throw tooFar('before the year 2100');
      return (known[index] ??= madeDay(index));
    },
    takeSpan: () => {
      taken += 1;
      if (taken > mostSpans) throw tooFar(`within ${mostSpans} openings of the calendar`);
    },
  };
}

/**
 * The open hours of a weekly calendar, spans in local time of its zone (summer time included), made as far ahead as
 * they are asked for. How much work fits is summed up as they are made: a year of work is found as fast as a day of it.
 *
 * @param days where several hands keep hours in one calendar, its days once for all of them
 * @throws Unsolvable when work is asked for and the shop never opens, or not enough before 2100
 */
export function openHours(calendar: ScheduleCalendar, days: CalendarDays = calendarDays(calendar)): OpenTime {
  const shut = new Set(calendar.closed);
  const hours = new Map(
    weekdays.map((name) => [name, [...(calendar.week[name] ?? [])].sort(([a], [b]) => (a < b ? -1 : 1))]),
  );
  const spans: Span[] = [];
  /** open minutes before each span */
  const before: number[] = [];
  let day = 0;

  /** Adds the spans of one more day. */
  const openNextDay = () => {
    const { iso, name, at } = days.day(day);
    day += 1;
    if (shut.has(iso)) return;
    for (const [opens, closes] of hours.get(name) ?? []) {
      const [from, to] = [Math.max(0, at(opens)), at(closes)];
      const last = spans.at(-1);
      if (last && from <= last.to) last.to = Math.max(last.to, to);
      else if (to > from) {
        days.takeSpan();
        before.push(last ? (before.at(-1) ?? 0) + last.to - last.from : 0);
        spans.push({ from, to });
      }
    }
  };
  /** Makes days until one of them satisfies. */
  const openUntil = (enough: () => boolean) => {
    let [since, count] = [day, spans.length];
    while (!enough()) {
      if (day - since > mostClosedDays)
        throw new Unsolvable('The calendar has no open hours in which the work could be done.');
      openNextDay();
      if (spans.length > count) [since, count] = [day, spans.length];
    }
  };
  /** The first index at which a rising question is answered with yes; the last where it never is. */
  const firstWhere = (holds: (index: number) => boolean, from = 0): number => {
    let [low, high] = [from, spans.length - 1];
    while (low < high) {
      const middle = (low + high) >> 1;
      if (holds(middle)) high = middle;
      else low = middle + 1;
    }
    return low;
  };
  const span = (index: number) => spans[index] as Span;
  /** Open minutes up to the end of a span. */
  const workedBy = (index: number) => (before[index] ?? 0) + span(index).to - span(index).from;
  /** The index of the first span that ends after `from`. */
  const spanAfter = (from: number): number => {
    openUntil(() => (spans.at(-1)?.to ?? -1) > from);
    return firstWhere((index) => span(index).to > from);
  };
  /** Open minutes up to a moment. */
  const workedAt = (moment: number): number => {
    const index = spanAfter(moment);
    return (before[index] ?? 0) + Math.max(0, moment - span(index).from);
  };

  return {
    spans: (from, to) => {
      const open: Span[] = [];
      for (let at = from; at < to;) {
        const next = span(spanAfter(at));
        if (next.from >= to) break;
        open.push({ from: Math.max(next.from, at), to: Math.min(next.to, to) });
        at = next.to;
      }
      return open;
    },
    between: (from, to) => (to > from ? workedAt(to) - workedAt(from) : 0),
    begin: (from) => Math.max(from, span(spanAfter(from)).from),
    finish: (from, minutes) => {
      if (minutes <= 0) return from;
      const index = spanAfter(from);
      const begun = Math.max(from, span(index).from);
      const here = span(index).to - begun;
      // A sliver below rounding must not wait for the next morning.
      if (minutes <= here + sliver) return Math.min(begun + minutes, span(index).to);
      const target = workedBy(index) + minutes - here;
      openUntil(() => workedBy(spans.length - 1) >= target - sliver);
      const last = firstWhere((later) => workedBy(later) >= target - sliver, index + 1);
      return Math.min(span(last).from + target - (before[last] ?? 0), span(last).to);
    },
  };
}
