import { connection } from 'next/server';
import { PadsView } from '@/app/jobs/[ticket]/pads/_pads/PadsView';
import { readStock } from '@/server/stock';

export default async function PadsPage() {
  await connection();
  return <PadsView first={await readStock()} />;
}
