import type { Metadata } from 'next';
import { connection } from 'next/server';
import { shopState } from '@holotonos/store';
import { getDb } from '@/server/store';
import { WorkView } from '@/shop/WorkView';

export const metadata: Metadata = { title: 'Own steps and cautions' };

export default async function WorkPage() {
  await connection();
  return <WorkView first={await shopState(getDb())} />;
}
