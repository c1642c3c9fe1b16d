import type { Metadata } from 'next';
import { IntakeForm } from '@/components/IntakeForm';

export const metadata: Metadata = { title: 'New ticket' };

export default function NewTicketPage() {
  return (
    <main id="main" className="page">
      <h1>New ticket</h1>
      <IntakeForm />
    </main>
  );
}
