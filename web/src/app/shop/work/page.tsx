import type { Metadata } from 'next';
import { connection } from 'next/server';
import { readShop } from '@/server/jobs';
import { WorkView } from '@/app/shop/_shop/WorkView';

export const metadata: Metadata = { title: 'Own steps and cautions' };

export default async function WorkPage() {
  await connection();
  return <WorkView first={await readShop()} />;
}
