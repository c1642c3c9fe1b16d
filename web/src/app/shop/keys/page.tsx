import type { Metadata } from 'next';
import { connection } from 'next/server';
import { KeysView } from '@/app/shop/_shop/KeysView';
import { readShop } from '@/server/jobs';

export const metadata: Metadata = { title: 'Who may come in' };

export default async function KeysPage() {
  await connection();
  return <KeysView first={await readShop()} />;
}
