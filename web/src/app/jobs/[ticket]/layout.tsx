import { notFound } from 'next/navigation';
import { connection } from 'next/server';
import type { ReactNode } from 'react';
import { JobProvider } from '@/client/JobContext';
import { JobShell } from '@/components/JobShell';
import { shopState } from '@holotonos/store';
import { loadJob } from '@/server/jobs';
import { getDb } from '@/server/store';

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
  const [job, shop] = await Promise.all([loadJob(ticket), shopState(getDb())]);
  if (!job) notFound();
  return (
    <JobProvider
      key={job.ticket}
      ticket={job.ticket}
      entries={[...job.state.entries]}
      shop={shop}
      now={new Date().toISOString()}
    >
      <JobShell>{children}</JobShell>
    </JobProvider>
  );
}
