import type { Metadata } from 'next';
import { connection } from 'next/server';
import { readShop } from '@/server/jobs';
import { PieceView } from '@/app/pieces/_pieces/PieceView';

export const metadata: Metadata = { title: 'A practice piece' };

export default async function PieceBenchPage({ searchParams }: { searchParams: Promise<{ piece?: string }> }) {
  await connection();
  const { piece = '' } = await searchParams;
  return <PieceView id={String(piece)} first={await readShop()} />;
}
