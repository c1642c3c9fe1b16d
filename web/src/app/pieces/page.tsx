import type { Metadata } from 'next';
import { connection } from 'next/server';
import { readShop } from '@/server/jobs';
import { PiecesView } from '@/app/pieces/_pieces/PiecesView';

export const metadata: Metadata = { title: 'Practice pieces' };

export default async function PiecesPage() {
  await connection();
  return <PiecesView first={await readShop()} />;
}
