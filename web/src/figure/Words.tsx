'use client';

import { printPhrase, type Phrase } from '@holotonos/core';
import { useJob } from '@/job/JobContext';

/** What the core says, in the unit of the job. */
export function Words({ of: said }: { of: Phrase }) {
  return <>{printPhrase(said, useJob().state.unit)}</>;
}
