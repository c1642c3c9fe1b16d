import { notFound } from 'next/navigation';
import { connection } from 'next/server';
import type { ReactNode } from 'react';
import { JobProvider } from '@/client/JobContext';
import { UnreadTickets } from '@/components/UnreadTickets';
import { JobShell } from '@/components/JobShell';
import { loadJob, loadShop, unreadJob } from '@/server/jobs';

export async function generateMetadata({ params }: { params: Promise<{ ticket: string }> }) {
  return { title: (await params).ticket };
}

export default async function JobLayout({
  params,
  children,
}: {
  params: Promise<{ ticket: string }>;
  children: ReactNode;
}) {
  await connection();
  const { ticket } = await params;
  const [job, { shop, learned }] = await Promise.all([loadJob(ticket), loadShop()]);
  if (!job) {
    const unread = await unreadJob(ticket);
    if (!unread) notFound();
    return (
      <main id="main" className="page">
        <h1>{unread.ticket}</h1>
        <UnreadTickets tickets={[unread]} />
      </main>
    );
  }
  return (
    <JobProvider
      key={job.ticket}
      ticket={job.ticket}
      entries={[...job.state.entries]}
      shop={shop}
      learned={learned}
      now={new Date().toISOString()}
    >
      <JobShell>{children}</JobShell>
    </JobProvider>
  );
}
