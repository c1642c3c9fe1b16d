import type { Metadata } from 'next';
import { connection } from 'next/server';
import { TypesView } from '@/app/types/_types/TypesView';
import { knownTypes } from '@holotonos/store';
import { getDb } from '@/server/store';

export const metadata: Metadata = { title: 'Instrument types' };

export default async function TypesPage() {
  await connection();
  return (
    <main id="main" className="page">
      <h1>Instrument types</h1>
      <TypesView types={await knownTypes(getDb())} />
    </main>
  );
}
