import { connection } from 'next/server';
import { CorksView } from '@/app/jobs/[ticket]/pads/_pads/CorksView';
import { loadStock } from '@/server/stock';

export default async function CorksPage() {
  await connection();
  return <CorksView first={await loadStock(new Date().toISOString())} />;
}
