import type { Metadata } from 'next';
import { connection } from 'next/server';
import { shopState } from '@holotonos/store';
import { getDb } from '@/server/store';
import { ShopView } from '@/shop/ShopView';

export const metadata: Metadata = { title: 'The shop' };

export default async function ShopPage() {
  await connection();
  return <ShopView first={await shopState(getDb())} now={new Date().toISOString()} />;
}
