'use client';

import { Link } from '@/ui/Link';
import { usePathname, useSearchParams } from 'next/navigation';
import { useJob } from '@/job/JobContext';
import { LinkWaits } from '@/ui/LinkWaits';

export type PadsPart = 'before' | 'set' | 'shims';

const pages: readonly { id: PadsPart | 'corks' | 'springs'; name: string }[] = [
  { id: 'before', name: 'Before pads come out' },
  { id: 'set', name: 'Choose the pads' },
  { id: 'shims', name: 'Shims' },
  { id: 'corks', name: 'Corks' },
  { id: 'springs', name: 'Springs' },
];

/** The pages of what is renewed: pads, corks, springs. */
export function PadsNav({ usual }: { usual: PadsPart }) {
  const { ticket, type } = useJob();
  const path = usePathname();
  const asked = useSearchParams().get('show');
  const base = `/jobs/${ticket}/pads`;
  const here = path === base ? (pages.find(({ id }) => id === asked)?.id ?? usual) : path.slice(base.length + 1);
  const dry = type.pads.some(({ hold }) => hold !== 'adhesive');
  return (
    <nav aria-label="Pads, corks, springs" className="job-tabs mb-2">
      {pages
        .filter(({ id }) => dry || id !== 'shims')
        .map(({ id, name }) => (
          <Link
            key={id}
            href={id === 'corks' || id === 'springs' ? `${base}/${id}` : `${base}?show=${id}`}
            aria-current={here === id ? 'page' : undefined}
          >
            {name}
            <LinkWaits />
          </Link>
        ))}
    </nav>
  );
}
