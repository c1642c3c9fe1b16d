import { listOwners } from '@holotonos/store';
import type { Metadata } from 'next';
import { connection } from 'next/server';
import { OwnersView } from '@/app/shop/_shop/OwnersView';
import { getDb } from '@/server/store';

export const metadata: Metadata = { title: 'Owners' };

export default async function OwnersPage({
  searchParams,
}: {
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  await connection();
  const { find = '' } = await searchParams;
  const search = (Array.isArray(find) ? (find[0] ?? '') : find).replaceAll('\u0000', '').trim().slice(0, 80);
  return <OwnersView owners={await listOwners(getDb(), search)} search={search} />;
}
