import { TZDate } from '@date-fns/tz';
import { Unsolvable } from '../metrology';
import { weekdays, type ScheduleCalendar } from './schedule.schema';

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
/** A shop closed for longer than this is taken to be closed for good. */
const mostClosedDays = 400;

const wall = (text: string): [number, number] => {
  const [hours = 0, minutes = 0] = text.split(':').map(Number);
  return [hours, minutes];
};

/**
 * The open hours of a weekly calendar, spans in local time of its zone (summer time included), made as far ahead as
 * they are asked for.
 *
 * @throws Unsolvable when work is asked for and the shop never opens
 */
export function openHours({ start, timeZone, week, closed }: ScheduleCalendar): OpenTime {
  const origin = Date.parse(start);
  const shut = new Set(closed);
  const first = new TZDate(origin, timeZone);
  const spans: Span[] = [];
  let day = 0;

  /** Adds the spans of one more day. */
  const openNextDay = () => {
    const date = new TZDate(first.getFullYear(), first.getMonth(), first.getDate() + day, timeZone);
    day += 1;
    const iso = [date.getFullYear(), date.getMonth() + 1, date.getDate()]
      .map((n) => String(n).padStart(2, '0'))
      .join('-');
    if (shut.has(iso)) return;
    const name = weekdays[(date.getDay() + 6) % 7] ?? 'mon';
    const at = (text: string) => {
      const [hours, minutes] = wall(text);
      const moment = new TZDate(date.getFullYear(), date.getMonth(), date.getDate(), hours, minutes, timeZone);
      return (moment.getTime() - origin) / minuteMs;
    };
    for (const [opens, closes] of [...(week[name] ?? [])].sort()) {
      const [from, to] = [Math.max(0, at(opens)), at(closes)];
      const last = spans.at(-1);
      if (last && from <= last.to) last.to = Math.max(last.to, to);
      else if (to > from) spans.push({ from, to });
    }
  };
  /** The index of the first span that ends after `from`. */
  const spanAfter = (from: number): number => {
    const since = day;
    while ((spans.at(-1)?.to ?? -1) <= from) {
      if (day - since > mostClosedDays)
        throw new Unsolvable('The calendar has no open hours in which the work could be done.');
      openNextDay();
    }
    let [low, high] = [0, spans.length - 1];
    while (low < high) {
      const middle = (low + high) >> 1;
      if ((spans[middle]?.to ?? 0) > from) high = middle;
      else low = middle + 1;
    }
    return low;
  };
  const openBetween = (from: number, to: number): Span[] => {
    const open: Span[] = [];
    for (let at = from; at < to;) {
      const span = spans[spanAfter(at)];
      if (!span || span.from >= to) break;
      open.push({ from: Math.max(span.from, at), to: Math.min(span.to, to) });
      at = span.to;
    }
    return open;
  };

  return {
    spans: openBetween,
    between: (from, to) => openBetween(from, to).reduce((sum, span) => sum + span.to - span.from, 0),
    begin: (from) => Math.max(from, spans[spanAfter(from)]?.from ?? from),
    finish: (from, minutes) => {
      let left = minutes;
      let at = from;
      while (left > 0) {
        const span = spans[spanAfter(at)];
        if (!span) break;
        at = Math.max(at, span.from);
        const worked = Math.min(left, span.to - at);
        at += worked;
        left -= worked;
        // A sliver below rounding must not wait for the next morning.
        if (left < 1e-9) break;
      }
      return at;
    },
  };
}
