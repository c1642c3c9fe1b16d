import 'server-only';
import { dayAfter, splitTask, stretchesOf } from '@holotonos/core';
import ical, { ICalCalendarMethod } from 'ical-generator';
import type { NearWork } from './bench';

/** No piece of work is shown shorter than this, ms. */
const leastMs = 60_000;
/** An event takes time: what has cured is shown for as long as a look at it takes, ms. */
const lookMs = 15 * 60_000;

/** Ids stay the same from one fetch to the next, so that a calendar moves its events and does not double them. */
const uid = (...parts: (string | number)[]) => `${parts.join('.').replaceAll(':', '.')}@holotonos`;

/**
 * The schedule of the bench in iCalendar (RFC 5545): an event for each piece of work, one when something has cured, one
 * for each due date.
 */
export function benchCalendar(
  { question, schedule, summaries, shop }: Pick<NearWork, 'question' | 'schedule' | 'summaries' | 'shop'>,
  only: { ticket: string | null; person: string | null },
): string {
  const calendar = ical({
    name: 'The bench',
    prodId: { company: 'Holotonos', product: 'Bench' },
    method: ICalCalendarMethod.PUBLISH,
  });
  const nameOf = (person: string) => shop.people.find(({ id }) => id === person)?.name ?? person;
  const wanted = (ticket: string) => only.ticket === null || only.ticket === ticket;
  const pieces = new Map<string, number>();
  for (const { task, kind, from, to, person } of schedule ? stretchesOf(question, schedule) : []) {
    const { ticket, operation } = splitTask(task);
    const title = question.tasks[task]?.title ?? operation;
    if (!wanted(ticket) || (only.person !== null && person !== only.person)) continue;
    if (kind === 'cure') {
      calendar.createEvent({
        id: uid(ticket, operation, 'cured'),
        start: new Date(to),
        end: new Date(Date.parse(to) + lookMs),
        summary: `${ticket} cured: ${title}`,
      });
      continue;
    }
    const piece = (pieces.get(task) ?? 0) + 1;
    pieces.set(task, piece);
    calendar.createEvent({
      id: uid(ticket, operation, piece),
      start: new Date(from),
      end: new Date(Math.max(Date.parse(to), Date.parse(from) + leastMs)),
      summary: `${ticket} ${title}`,
      ...(person !== null && { description: nameOf(person) }),
    });
  }
  for (const { ticket, dueBy, instrument, signedOff } of summaries) {
    if (dueBy === null || signedOff || !wanted(ticket) || only.person !== null) continue;
    calendar.createEvent({
      id: uid(ticket, 'due'),
      // A whole day is a date without a zone, and ends where the next begins.
      start: new Date(`${dueBy}T00:00:00Z`),
      end: new Date(`${dayAfter(dueBy, 1)}T00:00:00Z`),
      timezone: 'UTC',
      allDay: true,
      summary: `${ticket} due: ${instrument}`,
    });
  }
  return calendar.toString();
}
