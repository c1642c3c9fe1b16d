import Link from 'next/link';
import { connection } from 'next/server';
import { clockWords, practices, type BenchSummary, type ClockWords, type PracticeName } from '@holotonos/core';
import { Clocks, Today } from '@/app/_bench/Today';
import { UnreadTickets } from '@/job/UnreadTickets';
import { FirstHour } from '@/app/_bench/FirstHour';
import { GapFiller } from '@/app/_bench/GapFiller';
import { FollowLive } from '@/live/FollowLive';
import { loadBench } from '@/server/bench';
import { loadCheckUps, toRemind } from '@/server/checkUps';
import { ListNav } from '@/app/_bench/ListNav';
import { listOf, perPage } from '@/app/_bench/listQuestion';

const count = (n: number, one: string, many = `${one}s`) => `${n} ${n === 1 ? one : many}`;

function Ticket({ summary, when }: { summary: BenchSummary; when: ClockWords }) {
  const { dayText, momentText } = when;
  const {
    ticket,
    instrument,
    maker,
    made,
    owner,
    practice,
    stage,
    next,
    blockedBy,
    curing,
    soaking,
    partsOff,
    dueBy,
    done,
    steps,
    signedOff,
  } = summary;
  const tone = signedOff ? 'over' : next ? '' : 'waits';
  const attention = [
    summary.suggestions > 0 && `${count(summary.suggestions, 'suggestion')} to answer`,
    summary.staleRims > 0 && `${count(summary.staleRims, 'rim')} stale`,
    summary.stalePads > 0 && `${count(summary.stalePads, 'pad')} stale`,
    partsOff > 0 && `${count(partsOff, 'part')} off`,
  ].filter((text) => text !== false);
  return (
    <li className={`ticket ${tone}`}>
      <div>
        <Link className="number" href={`/jobs/${ticket}`}>
          {ticket}
        </Link>
        <div className="soft">{dueBy ? `due ${dayText(dueBy)}` : 'no date agreed'}</div>
      </div>
      <div>
        <strong>{instrument}</strong>
        <div>{[maker, made].filter(Boolean).join(', ')}</div>
        <div className="soft">
          {owner} · {practices[practice as PracticeName].title}
        </div>
      </div>
      <div>
        {signedOff ? (
          <span>Signed off and ready to go home.</span>
        ) : next ? (
          <>
            <span className="soft">Next: </span>
            <strong>{next}</strong>
          </>
        ) : (
          <>
            <span className="soft">Waits for: </span>
            {blockedBy.join('; ') || 'a decision'}
          </>
        )}
        {curing.map(({ title, until }) => (
          <div key={title}>
            Curing until {momentText(until)}: {title}
          </div>
        ))}
        {soaking.map(({ part, until, due }) => (
          <div key={`${part} ${until}`}>
            {due ? (
              <strong>Soaked long enough, time to look: {part}</strong>
            ) : (
              `Soaking until ${momentText(until)}: ${part}`
            )}
          </div>
        ))}
        {summary.again > 0 && <div>{count(summary.again, 'done step')} to be looked at again</div>}
        {summary.looks > 0 && (
          <div>
            <Link href={`/jobs/${ticket}`}>{count(summary.looks, 'look')} asked of a master</Link>
          </div>
        )}
        {summary.toAgree > 0 && (
          <div>
            <Link href={`/jobs/${ticket}/estimate`}>{count(summary.toAgree, 'step')} to agree with the owner</Link>
          </div>
        )}
        {attention.length > 0 && <div className="soft">{attention.join(' · ')}</div>}
      </div>
      <div>
        <div className="label">{stage}</div>
        <div className="bar" role="img" aria-label={`${done} of ${steps} steps done`}>
          <div style={{ width: `${steps > 0 ? (100 * done) / steps : 0}%` }} />
        </div>
        <div className="soft">
          {done} of {steps} steps
        </div>
      </div>
    </li>
  );
}

export default async function BenchPage({
  searchParams,
}: {
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  await connection();
  const now = new Date().toISOString();
  const list = listOf(await searchParams);
  const [bench, checkUps] = await Promise.all([loadBench(now, list.question), loadCheckUps(now)]);
  const remind = toRemind(checkUps);
  const when = clockWords(bench.shop.hours.timeZone);
  const { lines, total } = bench;
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
            <ol className="tickets">
              {lines.map(({ ticket, summary }) => summary && <Ticket key={ticket} summary={summary} when={when} />)}
            </ol>
            {total > perPage && <ListNav list={list} total={total} shown={lines.length} foot />}
          </div>
          <div>
            <Clocks clocks={bench.clocks} when={when} />
            <GapFiller fits={bench.fits} />
            {checkUps.length > 0 && (
              <p className={remind > 0 ? 'say attention mb-3' : 'mb-3'}>
                <Link href="/check-ups">
                  {remind > 0 ? `${count(remind, 'owner')} to remind of a check-up` : 'Check-ups to come'}
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
