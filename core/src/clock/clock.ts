import { TZDate, tzOffset } from '@date-fns/tz';
import { UTCDateMini } from '@date-fns/utc';
import { addDays, addMonths, differenceInCalendarDays, endOfDay, getISODay } from 'date-fns';

/** A shop that has not said where it is; and what an unknown zone is read as. */
export const worldZone = 'UTC';

/** Formatters are slow to make, so each is made once. */
const formatters = new Map<string, Intl.DateTimeFormat>();
function formatter(timeZone: string, name: string, options: Intl.DateTimeFormatOptions): Intl.DateTimeFormat {
  const key = `${name} ${timeZone}`;
  let made = formatters.get(key);
  if (!made) {
    made = new Intl.DateTimeFormat('en-GB', { ...options, timeZone });
    formatters.set(key, made);
  }
  return made;
}

/** Does this name a time zone that is known here? */
export function isTimeZone(timeZone: string): boolean {
  try {
    return timeZone !== '' && Boolean(formatter(timeZone, 'known', {}));
  } catch {
    return false;
  }
}

const day = /^\d{4}-\d{2}-\d{2}$/;
/** A day is the same everywhere: it is printed from its own noon in the world’s time, so that no zone moves it. */
const noon = (iso: string) => new Date(`${iso}T12:00:00Z`);

function print(iso: string, timeZone: string, name: string, options: Intl.DateTimeFormatOptions): string {
  if (iso === '') return '';
  const date = day.test(iso) ? noon(iso) : new Date(iso);
  if (Number.isNaN(date.getTime())) return iso;
  const zone = day.test(iso) || !isTimeZone(timeZone) ? worldZone : timeZone;
  return formatter(zone, name, options).format(date);
}

/**
 * A day, or the day a moment falls on in the shop's zone: 23 Nov 2026.
 *
 * @param iso a date or a moment, ISO 8601; nothing gives nothing, what is no time comes back as it is
 */
export const dayText = (iso: string, timeZone: string): string =>
  print(iso, timeZone, 'day', { day: 'numeric', month: 'short', year: 'numeric' });

/** 23 Nov, where the year goes without saying */
export const shortDayText = (iso: string, timeZone: string): string =>
  print(iso, timeZone, 'short', { day: 'numeric', month: 'short' });

/** 23 Nov, 14:05 on the shop's clock */
export const momentText = (iso: string, timeZone: string): string =>
  print(iso, timeZone, 'moment', {
    day: 'numeric',
    month: 'short',
    hour: '2-digit',
    minute: '2-digit',
    hourCycle: 'h23',
  });

/** 14:05 on the shop's clock */
export const timeIn = (iso: string, timeZone: string): string =>
  print(iso, timeZone, 'time', { hour: '2-digit', minute: '2-digit', hourCycle: 'h23' });

/** Mon 23 Nov, of a day in ISO */
export const weekdayText = (iso: string): string =>
  print(iso, worldZone, 'weekday', { weekday: 'short', day: 'numeric', month: 'short' }).replace(',', '');

const isoDay = (date: Date): string =>
  [
    String(date.getFullYear()).padStart(4, '0'),
    String(date.getMonth() + 1).padStart(2, '0'),
    String(date.getDate()).padStart(2, '0'),
  ].join('-');

/** A day by itself is the same everywhere: it is counted in the world's time, where no clock is ever changed. */
const plain = (iso: string) => {
  const [year = 0, month = 1, date = 1] = iso.split('-').map(Number);
  return new UTCDateMini(year, month - 1, date);
};
const inZone = (iso: string, timeZone: string) =>
  new TZDate(Date.parse(iso), isTimeZone(timeZone) ? timeZone : worldZone);
/** The beginning of a day in a zone. */
const startOf = (iso: string, timeZone: string) => {
  const [year = 0, month = 1, date = 1] = iso.split('-').map(Number);
  return new TZDate(year, month - 1, date, isTimeZone(timeZone) ? timeZone : worldZone);
};

/** The day a moment falls on in a time zone, ISO. */
export const dayIn = (iso: string, timeZone: string): string => isoDay(inZone(iso, timeZone));

/** So many days after a day, ISO. */
export const dayAfter = (iso: string, days: number): string => isoDay(addDays(plain(iso), days));

/**
 * The same day so many months later, or the last of that month where it has no such day.
 *
 * @example monthsAfter('2026-08-31', 6) // => "2027-02-28"
 */
export const monthsAfter = (iso: string, months: number): string => isoDay(addMonths(plain(iso), months));

/** How many days lie between two days, ISO; negative when the first is later. */
export const daysBetween = (from: string, to: string): number => differenceInCalendarDays(plain(to), plain(from));

/** The Monday on or before a day, ISO. */
export const mondayOf = (iso: string): string => dayAfter(iso, 1 - getISODay(plain(iso)));

/** The last minute of a day in a zone, as a moment, ISO in UTC. */
export function lastMinuteOf(iso: string, timeZone: string): string {
  const end = endOfDay(startOf(iso, timeZone)).getTime();
  return new Date(Math.floor(end / 60_000) * 60_000).toISOString();
}

/** The moment at which a zone's clocks show a date and time of day, ISO in UTC. */
export function momentAt(date: string, time: string, timeZone: string): string {
  const [year = 0, month = 1, d = 1] = date.split('-').map(Number);
  const [hours = 0, minutes = 0, seconds = 0] = time.split(':').map(Number);
  const zone = isTimeZone(timeZone) ? timeZone : worldZone;
  const whole = Math.floor(seconds);
  const moment = new TZDate(year, month - 1, d, hours, minutes, whole, Math.round((seconds - whole) * 1000), zone);
  return new Date(moment.getTime()).toISOString();
}

/** The words of one shop's clock: what every screen, print and calendar of it says of times. */
export interface ClockWords {
  zone: string;
  /** 23 Nov 2026 */
  dayText: (iso: string) => string;
  /** 23 Nov */
  shortDayText: (iso: string) => string;
  /** 23 Nov, 14:05 */
  momentText: (iso: string) => string;
  /** 14:05 */
  timeText: (iso: string) => string;
  /** the day of a moment, ISO */
  dayOf: (iso: string) => string;
}

const known = new Map<string, ClockWords>();

/** The words of the clock of a zone; the same object for the same zone. */
export function clockWords(zone: string): ClockWords {
  let words = known.get(zone);
  if (!words) {
    words = {
      zone,
      dayText: (iso) => dayText(iso, zone),
      shortDayText: (iso) => shortDayText(iso, zone),
      momentText: (iso) => momentText(iso, zone),
      timeText: (iso) => timeIn(iso, zone),
      dayOf: (iso) => dayIn(iso, zone),
    };
    known.set(zone, words);
  }
  return words;
}

/** Minutes a zone is ahead of UTC at a moment, ISO. */
export const zoneOffset = (iso: string, timeZone: string): number => tzOffset(timeZone, new Date(iso));
