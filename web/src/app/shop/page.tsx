import type { Metadata } from 'next';
import { connection } from 'next/server';
import { readShop } from '@/server/jobs';
import { ShopView } from '@/app/shop/_shop/ShopView';

export const metadata: Metadata = { title: 'The shop' };

export default async function ShopPage() {
  await connection();
  return <ShopView first={await readShop()} now={new Date().toISOString()} />;
}
