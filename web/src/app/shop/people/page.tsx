import type { Metadata } from 'next';
import { connection } from 'next/server';
import { readShop } from '@/server/jobs';
import { PeopleView } from '@/app/shop/_shop/PeopleView';

export const metadata: Metadata = { title: 'People, hours, prices' };

export default async function PeoplePage() {
  await connection();
  return <PeopleView first={await readShop()} />;
}
