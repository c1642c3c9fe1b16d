import type { Metadata } from 'next';
import { Link } from '@/ui/Link';
import { connection } from 'next/server';
import { WeekView } from '@/app/week/_week/WeekView';
import { FollowLive } from '@/live/FollowLive';
import { loadWeek } from '@/server/bench';

export const metadata: Metadata = { title: 'The week' };

export default async function WeekPage() {
  await connection();
  const now = new Date().toISOString();
  const { summaries, question, schedule, unscheduled, order, shop, later } = await loadWeek(now);
  const tickets = summaries.map(({ ticket, instrument, dueBy }) => ({ ticket, instrument, dueBy }));
  return (
    <main id="main" className="page page-wide">
      <FollowLive />
      {schedule && tickets.length > 0 ? (
        <>
          <WeekView tickets={tickets} question={question} first={schedule} order={order} shop={shop} now={now} />
          {later > 0 && (
            <p className="soft mt-3">
              The week is worked out over the {tickets.length} tickets that are due first. {later} more{' '}
              {later === 1 ? 'comes' : 'come'} after them: <Link href="/">all tickets</Link>.
            </p>
          )}
        </>
      ) : (
        <>
          <h1>The week</h1>
          <p className="sheet">
            {unscheduled ?? 'Nothing is on the bench.'}{' '}
            {unscheduled ? (
              <Link href="/shop/people">Look at the hours and people of the shop.</Link>
            ) : (
              <Link href="/tickets/new">Take an instrument in.</Link>
            )}
          </p>
        </>
      )}
    </main>
  );
}
