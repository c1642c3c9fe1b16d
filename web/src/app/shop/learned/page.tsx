import type { Metadata } from 'next';
import { connection } from 'next/server';
import { LearnedView } from '@/app/shop/_shop/LearnedView';
import { readShop } from '@/server/jobs';
import { learnedHere } from '@/server/learned';

export const metadata: Metadata = { title: 'What was learned' };

export default async function LearnedPage() {
  await connection();
  const [shop, learned] = await Promise.all([readShop(), learnedHere()]);
  return <LearnedView first={shop} learned={learned} />;
}
