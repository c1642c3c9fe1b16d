import { clockWords, curesNow, stretchesOf, weekdayText } from '@holotonos/core';
import type { Metadata } from 'next';
import { Link } from '@/ui/Link';
import { connection } from 'next/server';
import { FollowLive } from '@/live/FollowLive';
import { loadWeek } from '@/server/bench';
import { EachMinute } from './_wall/EachMinute';
import { wallOf } from './_wall/wallDay';

export const metadata: Metadata = { title: 'On the wall' };

/** Today and the week for a screen on the wall: few words, read from across the room. */
export default async function WallPage() {
  await connection();
  const now = new Date().toISOString();
  const { question, schedule, unscheduled, shop } = await loadWeek(now);
  const zone = shop.hours.timeZone;
  const { dayOf, timeText, momentText } = clockWords(zone);
  const titleOf = (task: string) => question.tasks[task]?.title ?? task;
  const stretches = schedule ? stretchesOf(question, schedule) : [];
  const wall = wallOf(stretches, curesNow(question, stretches, now), shop.people, titleOf, now, zone);
  const today = dayOf(now);
  return (
    <main id="main" className="page page-wide wall">
      <FollowLive />
      <EachMinute />
      <div className="wall-head">
        <h1>{weekdayText(wall.day ?? today)}</h1>
        <span className="figures">{timeText(now)}</span>
        {wall.day !== null && wall.day !== today && <span>closed now</span>}
        <Link className="ms-auto" href="/week">
          The week
        </Link>
      </div>
      {wall.hands.length === 0 && <p className="wall-step">{unscheduled ?? 'Nothing waits for hands.'}</p>}
      <div className="wall-hands">
        {wall.hands.map(({ name, works }) => (
          <section key={name} className="sheet" aria-label={name}>
            <h2>{name}</h2>
            <ol className="list-plain mb-0">
              {works.map(({ ticket, title, from, to }, i) => (
                <li key={`${ticket} ${title} ${from}`} className={i === 0 ? 'wall-now' : 'wall-then'}>
                  <span className="wall-ticket">{ticket}</span>{' '}
                  <span className="figures">{i === 0 && from <= now ? `to ${timeText(to)}` : timeText(from)}</span>
                  <span className="wall-step">{title}</span>
                </li>
              ))}
            </ol>
          </section>
        ))}
      </div>
      {wall.curing.length > 0 && (
        <ul className="list-plain wall-cures" aria-label="Curing">
          {wall.curing.map(({ ticket, title, to }) => (
            <li key={`${ticket} ${title}`}>
              <span className="wall-ticket">{ticket}</span> leave it until {momentText(to)}: {title}
            </li>
          ))}
        </ul>
      )}
      {schedule && schedule.late.length > 0 && (
        <p className="say attention wall-step">Late as things stand: {schedule.late.join(', ')}</p>
      )}
      <ol className="list-plain wall-week" aria-label="The days to come">
        {wall.days.map(({ day, tickets }) => (
          <li key={day} className={day === today ? 'today' : undefined}>
            <h2>{weekdayText(day)}</h2>
            <ul className="list-plain mb-0">
              {tickets.map(({ ticket, isLast }) => (
                <li key={ticket}>
                  {ticket}
                  {isLast && ' done'}
                </li>
              ))}
            </ul>
          </li>
        ))}
      </ol>
    </main>
  );
}
