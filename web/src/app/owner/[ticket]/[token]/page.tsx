import { ownerView, planBasis } from '@holotonos/core';
import type { Metadata } from 'next';
import { connection } from 'next/server';
import { ownersJob } from '@/server/ownerPage';
import { OwnerPage } from './_owner/OwnerPage';

export const metadata: Metadata = {
  title: 'Your instrument',
  robots: { index: false, follow: false },
  referrer: 'no-referrer',
};

export default async function OwnersPage({ params }: { params: Promise<{ ticket: string; token: string }> }) {
  await connection();
  const { ticket, token } = await params;
  const now = new Date().toISOString();
  const owners = await ownersJob(decodeURIComponent(ticket), token, now);
  const view =
    owners && ownerView(owners.job.state, owners.job.type, owners.link, now, planBasis(owners.shop, owners.learned));
  if (!view)
    return (
      <main id="main" className="page owner-page">
        <h1>This link opens nothing any more</h1>
        <p>It was taken back, its time is over, or it was not copied whole. Call the shop: they can make another.</p>
      </main>
    );
  return <OwnerPage view={view} base={`/api/v1/owner/${encodeURIComponent(ticket)}/${token}`} />;
}
