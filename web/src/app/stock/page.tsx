import type { Metadata } from 'next';
import { connection } from 'next/server';
import { currencyOf } from '@holotonos/core';
import { StockView } from '@/app/stock/_stock/StockView';
import { readShop } from '@/server/jobs';
import { loadStock } from '@/server/stock';

export const metadata: Metadata = { title: 'Stock' };

export default async function StockPage() {
  await connection();
  const now = new Date().toISOString();
  const [first, shop] = await Promise.all([loadStock(now), readShop()]);
  return <StockView first={first} currency={currencyOf(shop)} now={now} />;
}
