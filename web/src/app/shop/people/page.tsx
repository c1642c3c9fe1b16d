import type { Metadata } from 'next';
import { connection } from 'next/server';
import { shopState } from '@holotonos/store';
import { getDb } from '@/server/store';
import { PeopleView } from '@/shop/PeopleView';

export const metadata: Metadata = { title: 'People, hours, prices' };

export default async function PeoplePage() {
  await connection();
  return <PeopleView first={await shopState(getDb())} />;
}
