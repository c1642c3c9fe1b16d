import type { Metadata } from 'next';
import { ImportForm } from '@/app/import/_import/ImportForm';

export const metadata: Metadata = { title: 'Import' };

export default function ImportPage() {
  return (
    <main id="main" className="page">
      <h1>Import a job</h1>
      <ImportForm />
    </main>
  );
}
