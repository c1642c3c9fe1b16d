import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { guidePage } from '@/server/guide';
import { Guide } from '../_guide/Guide';

interface Props {
  params: Promise<{ page: string }>;
}

export async function generateMetadata({ params }: Props): Promise<Metadata> {
  return { title: (await guidePage((await params).page))?.title ?? 'Guide' };
}

export default async function GuidePage({ params }: Props) {
  const page = await guidePage((await params).page);
  if (!page) notFound();
  return <Guide html={page.html} />;
}
