import { connection } from 'next/server';
import { CorksView } from '@/app/jobs/[ticket]/pads/_pads/CorksView';
import { readStock } from '@/server/stock';

export default async function CorksPage() {
  await connection();
  return <CorksView first={await readStock()} />;
}
