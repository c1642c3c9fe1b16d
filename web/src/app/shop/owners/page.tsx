import { listOwners } from '@holotonos/store';
import type { Metadata } from 'next';
import { connection } from 'next/server';
import { OwnersView } from '@/app/shop/_shop/OwnersView';
import { wordsOf, type Query } from '@/server/query';
import { getDb } from '@/server/store';

export const metadata: Metadata = { title: 'Owners' };

/** Letters of a search that count. */
const mostSearch = 80;

export default async function OwnersPage({ searchParams }: { searchParams: Promise<Query> }) {
  await connection();
  const search = wordsOf(await searchParams, 'find', mostSearch);
  return <OwnersView owners={await listOwners(getDb(), search)} search={search} />;
}
