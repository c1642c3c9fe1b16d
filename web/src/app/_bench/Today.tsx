import {
  clockWords,
  curesNow,
  splitTask,
  stretchesOf,
  weekdayText,
  type ClockWords,
  type RunningClock,
  type Stretch,
} from '@holotonos/core';
import { Link } from '@/ui/Link';
import { minutesText } from '@/ui/words';
import type { NearWork } from '@/server/bench';

const shown = 8;

/** Clocks that run, those somebody forgot first of all. */
export function Clocks({ clocks, when }: { clocks: readonly (RunningClock & { ticket: string })[]; when: ClockWords }) {
  if (clocks.length === 0) return null;
  return (
    <section className={`say mb-3 ${clocks.some(({ forgotten }) => forgotten) ? 'attention' : ''}`} aria-label="Clocks">
      <ul className="list-plain mb-0">
        {clocks.slice(0, shown).map(({ ticket, operation, title, author, since, minutes, forgotten }) => (
          <li key={`${ticket} ${operation}`}>
            <Link href={`/jobs/${ticket}/plan?step=${encodeURIComponent(operation)}`}>
              {ticket}: {title}
            </Link>{' '}
            {forgotten
              ? `The clock of ${author} has run since ${when.momentText(since)}. Forgotten? Set it right on the card.`
              : `in hand, ${author}, ${minutesText(minutes)} so far`}
          </li>
        ))}
      </ul>
    </section>
  );
}

/** What comes today, in order and by hand, and what cures until when. */
export function Today({ bench, now }: { bench: NearWork; now: string }) {
  const { question, schedule, unscheduled, shop } = bench;
  if (!schedule) {
    return (
      <p className="say attention">
        {unscheduled} <Link href="/shop/people">Look at the hours and people of the shop.</Link>
      </p>
    );
  }
  const { dayOf, momentText, timeText } = clockWords(shop.hours.timeZone);
  const stretches = stretchesOf(question, schedule);
  // A day is looked up for each stretch that is shown and the one after them, not for all of a schedule.
  const work = stretches.filter(({ kind }) => kind === 'work').sort((a, b) => a.from.localeCompare(b.from));
  const firstDay = work[0] ? dayOf(work[0].from) : null;
  const today = dayOf(now);
  const next = work.findIndex(({ from }) => dayOf(from) !== firstDay);
  const coming = next < 0 ? work : work.slice(0, next);
  const curing = curesNow(question, stretches, now);
  const nameOf = (person: string | null) => shop.people.find(({ id }) => id === person)?.name ?? null;
  const row = ({ task, from, to, person }: Stretch) => {
    const { ticket, operation } = splitTask(task);
    return (
      <li key={`${task} ${from}`} className="mb-1">
        <span className="figures">
          {timeText(from)}–{timeText(to)}
        </span>{' '}
        <Link href={`/jobs/${ticket}/plan?step=${encodeURIComponent(operation)}`}>
          {ticket}: {question.tasks[task]?.title}
        </Link>
        {person !== null && <span className="soft"> {nameOf(person)}</span>}
      </li>
    );
  };
  return (
    <>
      {curing.length > 0 && (
        <section className="sheet" aria-labelledby="curing">
          <h2 id="curing">Curing</h2>
          <ul className="list-plain mb-0">
            {curing.slice(0, shown).map(({ task, to }) => (
              <li key={task}>
                {splitTask(task).ticket}: {question.tasks[task]?.title}, leave it until {momentText(to)}
              </li>
            ))}
          </ul>
        </section>
      )}
      <section className="sheet" aria-labelledby="today">
        <h2 id="today">
          {firstDay === null
            ? 'Today'
            : firstDay === today
              ? 'Today, in order'
              : `Closed now. ${weekdayText(firstDay)}, in order`}
        </h2>
        {coming.length === 0 ? (
          <p className="mb-0 soft">Nothing waits for hands.</p>
        ) : (
          <ol className="list-plain mb-2">{coming.slice(0, shown).map(row)}</ol>
        )}
        {coming.length > shown && <p className="soft mb-2">and {coming.length - shown} more</p>}
        {schedule.late.length > 0 && (
          <p className="say attention mb-2">Late as things stand: {schedule.late.join(', ')}.</p>
        )}
        <Link href="/week">The week over all tickets</Link>
      </section>
    </>
  );
}
