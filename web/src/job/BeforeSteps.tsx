'use client';

import type { ReactNode } from 'react';
import { Link } from '@/ui/Link';
import { useJob } from './JobContext';

/** Where the first thing is done, and what there is no word of before it. */
export const placeOfFirst = {
  look: { path: 'survey', page: 'the survey', words: 'Nobody has looked at it yet', now: 'Look it over first.' },
  decide: {
    path: 'findings',
    page: 'the findings',
    words: 'What was found is not decided on',
    now: 'Decide on it first.',
  },
} as const;

/** Says of a repair that has no steps of its own yet what the page can know of it then, and where to begin. */
export function BeforeSteps({ children }: { children: ReactNode }) {
  const { ticket, plan } = useJob();
  if (!plan.first) return null;
  const { path, words, now } = placeOfFirst[plan.first];
  return (
    <p className="say attention">
      {words}: {children} <Link href={`/jobs/${ticket}/${path}`}>{now}</Link>
    </p>
  );
}
