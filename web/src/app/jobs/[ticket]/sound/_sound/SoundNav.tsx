'use client';

import { Link } from '@/ui/Link';
import { usePathname } from 'next/navigation';
import { useJob } from '@/job/JobContext';
import { LinkWaits } from '@/ui/LinkWaits';

const pages = [
  { path: '', name: 'Leaks by note' },
  { path: '/sheet', name: 'Play test' },
  { path: '/pitch', name: 'Pitch' },
  { path: '/tuning', name: 'Tuning' },
] as const;

/** The pages of how an instrument sounds. */
export function SoundNav() {
  const { ticket } = useJob();
  const here = usePathname();
  const base = `/jobs/${ticket}/sound`;
  return (
    <nav aria-label="Sound" className="job-tabs mb-2">
      {pages.map(({ path, name }) => (
        <Link key={path} href={`${base}${path}`} aria-current={here === `${base}${path}` ? 'page' : undefined}>
          {name}
          <LinkWaits />
        </Link>
      ))}
      {here === `${base}/sheet` && (
        <a className="ms-auto" href={`/api/v1/jobs/${ticket}/play-test.pdf`}>
          Print it (PDF)
        </a>
      )}
    </nav>
  );
}
