'use client';

import type { Entry, InstrumentType, LearnedTimes, ShopState } from '@holotonos/core';
import type { ReactNode } from 'react';
import { JobProvider } from './JobContext';
import { WholeLogbook } from './WholeLogbook';
import { JobShell } from './JobShell';

/** A job as its pages share it, once its logbook is there whole. */
export function OpenJob({
  ticket,
  first,
  total,
  types,
  shop,
  learned,
  now,
  children,
}: {
  ticket: string;
  first: Entry[];
  total: number;
  types: readonly InstrumentType[];
  shop: ShopState;
  learned: LearnedTimes;
  now: string;
  children: ReactNode;
}) {
  return (
    <WholeLogbook ticket={ticket} first={first} total={total}>
      {(entries) => (
        <JobProvider ticket={ticket} entries={entries} types={types} shop={shop} learned={learned} now={now}>
          <JobShell>{children}</JobShell>
        </JobProvider>
      )}
    </WholeLogbook>
  );
}
