import 'server-only';
import { checkUpStanding, dayAfter, dayIn, type CheckUpStanding } from '@holotonos/core';
import { checkUps, type CheckUp } from '@holotonos/store';
import ical, { ICalCalendarMethod } from 'ical-generator';
import { readShop } from './jobs';
import { asFile } from './replies';
import { getDb } from './store';

/** A check-up, and how its day stands to today. */
export interface CheckUpLine extends CheckUp {
  standing: CheckUpStanding;
}

/** So far ahead check-ups are listed, days; and so many of them. */
const horizon = 400;
const mostListed = 200;

export async function loadCheckUps(now: string): Promise<CheckUpLine[]> {
  const { hours } = await readShop();
  const today = dayIn(now, hours.timeZone);
  const list = await checkUps(getDb(), dayAfter(today, horizon), mostListed);
  return list.map((each) => ({ ...each, standing: checkUpStanding(each.day, today) }));
}

/** How many owners should be reminded now: their day comes soon, or is over, and nobody has yet. */
export const toRemind = (list: readonly CheckUpLine[]): number =>
  list.filter(({ standing, reminded }) => standing !== 'later' && reminded === null).length;

/** A check-up as a calendar takes it in (RFC 5545): a whole day. */
export function checkUpCalendar({
  ticket,
  day,
  instrument,
}: {
  ticket: string;
  day: string;
  instrument: string;
}): Response {
  const calendar = ical({
    name: 'Check-up',
    prodId: { company: 'Holotonos', product: 'Check-up' },
    method: ICalCalendarMethod.PUBLISH,
  });
  calendar.createEvent({
    id: `${ticket}.check-up@holotonos`,
    // A whole day is a date without a zone, and ends where the next begins.
    start: new Date(`${day}T00:00:00Z`),
    end: new Date(`${dayAfter(day, 1)}T00:00:00Z`),
    timezone: 'UTC',
    allDay: true,
    summary: `Check-up: ${instrument}`,
    description: `Bring it back to the workshop for a look. Ticket ${ticket}.`,
  });
  return new Response(calendar.toString(), {
    headers: asFile(`${ticket}-check-up.ics`, 'text/calendar; charset=utf-8'),
  });
}
