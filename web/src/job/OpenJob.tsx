'use client';

import type { Entry } from '@holotonos/core';
import { useMemo, type ReactNode } from 'react';
import { JobProvider } from './JobContext';
import { WholeLogbook } from './WholeLogbook';
import { JobShell } from './JobShell';
import { readAround, readEntries, type AroundJob, type Sent } from './sent';

/** A job as its pages share it, once its logbook is there whole. */
export function OpenJob({
  ticket,
  first,
  total,
  around,
  now,
  children,
}: {
  ticket: string;
  first: Sent<Entry[]>;
  total: number;
  around: Sent<AroundJob>;
  now: string;
  children: ReactNode;
}) {
  const entries = useMemo(() => readEntries(first), [first]);
  const { types, shop, learned } = useMemo(() => readAround(around), [around]);
  return (
    <WholeLogbook ticket={ticket} first={entries} total={total}>
      {(whole) => (
        <JobProvider ticket={ticket} entries={whole} types={types} shop={shop} learned={learned} now={now}>
          <JobShell>{children}</JobShell>
        </JobProvider>
      )}
    </WholeLogbook>
  );
}
