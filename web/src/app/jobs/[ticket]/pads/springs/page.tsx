import { connection } from 'next/server';
import { SpringsView } from '@/app/jobs/[ticket]/pads/_pads/SpringsView';
import { readStock } from '@/server/stock';

export default async function SpringsPage() {
  await connection();
  return <SpringsView first={await readStock()} />;
}
