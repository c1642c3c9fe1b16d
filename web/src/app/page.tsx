import { Link } from '@/ui/Link';
import { connection } from 'next/server';
import { clockWords } from '@holotonos/core';
import { Clocks, Today } from '@/app/_bench/Today';
import { UnreadTickets } from '@/job/UnreadTickets';
import { FirstHour } from '@/app/_bench/FirstHour';
import { GapFiller } from '@/app/_bench/GapFiller';
import { FollowLive } from '@/live/FollowLive';
import { loadBench } from '@/server/bench';
import type { Query } from '@/server/query';
import { loadCheckUps, toRemind } from '@/server/checkUps';
import { groupLines, handsOf } from '@/app/_bench/groupLines';
import { ListNav } from '@/app/_bench/ListNav';
import { listOf, perPage } from '@/app/_bench/listQuestion';
import { TicketRow } from '@/app/_bench/TicketRow';
import { counted } from '@/ui/words';

export default async function BenchPage({ searchParams }: { searchParams: Promise<Query> }) {
  await connection();
  const now = new Date().toISOString();
  const list = listOf(await searchParams);
  const [bench, checkUps] = await Promise.all([loadBench(now, list.question), loadCheckUps(now)]);
  const remind = toRemind(checkUps);
  const when = clockWords(bench.shop.hours.timeZone);
  const { lines, total } = bench;
  const hands = handsOf(bench);
  const empty = total === 0 && !list.narrowed;
  return (
    <main id="main" className="page page-wide">
      <FollowLive />
      <div className="d-flex flex-wrap align-items-baseline gap-3 mb-3">
        <h1 className="mb-0">The bench</h1>
        <span className="soft">{total > 0 && 'In the order they need hands'}</span>
        <Link className="btn btn-primary ms-auto" href="/tickets/new">
          New ticket
        </Link>
      </div>
      <UnreadTickets tickets={bench.unread} />
      {bench.behind && (
        <p className="say" role="status">
          The shop’s own work has changed: the tickets are being planned anew, and this page follows.
        </p>
      )}
      {empty ? (
        <FirstHour done={bench.shop.people.length > 0 ? ['people'] : []} />
      ) : (
        <div className="split bench-split">
          <div>
            <ListNav list={list} total={total} shown={lines.length} />
            {groupLines(lines, list.by, hands).map(({ name, lines: of }) => (
              <section key={name} aria-label={name || undefined}>
                {name && (
                  <h2 className="ticket-group">
                    {name} <span className="soft">{of.length}</span>
                  </h2>
                )}
                <ol className="tickets">
                  {of.map(
                    ({ ticket, summary }) =>
                      summary && (
                        <TicketRow
                          key={ticket}
                          summary={summary}
                          hands={hands.get(ticket) ?? ''}
                          when={when}
                          now={now}
                        />
                      ),
                  )}
                </ol>
              </section>
            ))}
            {total > perPage && <ListNav list={list} total={total} shown={lines.length} foot />}
          </div>
          <div>
            <Clocks clocks={bench.clocks} when={when} />
            <GapFiller fits={bench.fits} />
            {checkUps.length > 0 && (
              <p className={remind > 0 ? 'say attention mb-3' : 'mb-3'}>
                <Link href="/check-ups">
                  {remind > 0 ? `${counted(remind, 'owner')} to remind of a check-up` : 'Check-ups to come'}
                </Link>
              </p>
            )}
            <Today bench={bench} now={now} />
          </div>
        </div>
      )}
    </main>
  );
}
