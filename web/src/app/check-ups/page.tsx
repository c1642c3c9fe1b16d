import type { Metadata } from 'next';
import { connection } from 'next/server';
import { FollowLive } from '@/live/FollowLive';
import { loadCheckUps } from '@/server/checkUps';
import { CheckUpList } from './_checkUps/CheckUpList';

export const metadata: Metadata = { title: 'Check-ups' };

export default async function CheckUpsPage() {
  await connection();
  return (
    <main id="main" className="page">
      <FollowLive />
      <h1>Check-ups</h1>
      <CheckUpList lines={await loadCheckUps(new Date().toISOString())} />
    </main>
  );
}
