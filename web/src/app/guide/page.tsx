import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { guidePage } from '@/server/guide';
import { Guide } from './_guide/Guide';

export const metadata: Metadata = { title: 'Guide' };

export default async function FirstPage() {
  const page = await guidePage('README');
  if (!page) notFound();
  return <Guide html={page.html} first />;
}
