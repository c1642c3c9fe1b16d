import type { ReactNode } from 'react';

/** The frame of a job's page wants a router; here its parts are enough, one after the other. */
export const Bands = ({ work, says, readout }: Partial<Record<'work' | 'says' | 'readout', ReactNode>>) => (
  <>
    {work}
    {says}
    {readout}
  </>
);
