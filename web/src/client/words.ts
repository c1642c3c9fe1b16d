const day = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', year: 'numeric', timeZone: 'UTC' });
const moment = new Intl.DateTimeFormat('en-GB', {
  day: 'numeric',
  month: 'short',
  hour: '2-digit',
  minute: '2-digit',
  timeZone: 'UTC',
});

/** 23 Nov 2026 */
export const dayText = (iso: string): string => (iso ? day.format(new Date(iso)) : '');
const shortDay = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', timeZone: 'UTC' });
/** 23 Nov, where the year goes without saying */
export const shortDayText = (iso: string): string => (iso ? shortDay.format(new Date(iso)) : '');
/** 23 Nov, 14:05 */
export const momentText = (iso: string): string => (iso ? moment.format(new Date(iso)) : '');

/** 1 h 20 min */
export function minutesText(minutes: number): string {
  const whole = Math.round(minutes);
  const hours = Math.floor(whole / 60);
  const rest = whole % 60;
  if (hours === 0) return `${rest} min`;
  return rest === 0 ? `${hours} h` : `${hours} h ${rest} min`;
}

/** First letter large, for the start of a sentence. */
export const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

/** The day a moment falls on in a time zone, ISO. */
export const dayIn = (iso: string, timeZone: string): string =>
  new Intl.DateTimeFormat('en-CA', { timeZone, year: 'numeric', month: '2-digit', day: '2-digit' }).format(
    new Date(iso),
  );

/** 14:05, in a time zone */
export const timeIn = (iso: string, timeZone: string): string =>
  new Intl.DateTimeFormat('en-GB', { timeZone, hour: '2-digit', minute: '2-digit' }).format(new Date(iso));

/** Mon 23 Nov, of a day in ISO */
export const weekdayText = (day: string): string =>
  new Intl.DateTimeFormat('en-GB', { weekday: 'short', day: 'numeric', month: 'short', timeZone: 'UTC' })
    .format(new Date(`${day}T12:00:00Z`))
    .replace(',', '');

/** So many days after a day, ISO. */
export const dayAfter = (day: string, days: number): string =>
  new Date(Date.parse(`${day}T12:00:00Z`) + days * 86_400_000).toISOString().slice(0, 10);
