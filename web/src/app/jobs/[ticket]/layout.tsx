import { namedTypes } from '@holotonos/core';
import { notFound } from 'next/navigation';
import { connection } from 'next/server';
import type { ReactNode } from 'react';
import { Masthead } from '@/frame/Masthead';
import { OpenJob } from '@/job/OpenJob';
import { isPractice, practiceIntake } from '@/job/practiceTicket';
import { sent } from '@/job/sent';
import { UnreadTickets } from '@/job/UnreadTickets';
import { loadJob, loadShop, unreadJob } from '@/server/jobs';

export async function generateMetadata({ params }: { params: Promise<{ ticket: string }> }) {
  return { title: (await params).ticket };
}

/** Entries a page carries itself; the rest of a longer logbook is fetched in parts. */
const mostInPage = 6000;

export default async function JobLayout({
  params,
  children,
}: {
  params: Promise<{ ticket: string }>;
  children: ReactNode;
}) {
  await connection();
  const { ticket } = await params;
  const now = new Date().toISOString();
  if (isPractice(ticket)) {
    const { shop, learned } = await loadShop();
    const first = [practiceIntake(now)];
    return (
      <OpenJob
        ticket={ticket}
        first={sent(first)}
        total={1}
        around={sent({ types: namedTypes(first), shop, learned })}
        now={now}
      >
        {children}
      </OpenJob>
    );
  }
  const [job, { shop, learned }] = await Promise.all([loadJob(ticket), loadShop()]);
  if (!job) {
    const unread = await unreadJob(ticket);
    if (!unread) notFound();
    return (
      <>
        <Masthead job={null} />
        <main id="main" className="page">
          <h1>{unread.ticket}</h1>
          <UnreadTickets tickets={[unread]} />
        </main>
      </>
    );
  }
  const { entries } = job.state;
  return (
    <OpenJob
      key={job.ticket}
      ticket={job.ticket}
      first={sent(entries.slice(0, mostInPage))}
      total={entries.length}
      around={sent({ types: namedTypes(entries), shop, learned })}
      now={now}
    >
      {children}
    </OpenJob>
  );
}
