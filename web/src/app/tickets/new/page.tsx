import type { Metadata } from 'next';
import { connection } from 'next/server';
import { IntakeForm } from '@/app/tickets/new/_intake/IntakeForm';
import { loadTypeChoices } from '@/server/types';

export const metadata: Metadata = { title: 'New ticket' };

export default async function NewTicketPage() {
  await connection();
  return (
    <main id="main" className="page">
      <h1>New ticket</h1>
      <IntakeForm types={await loadTypeChoices()} />
    </main>
  );
}
