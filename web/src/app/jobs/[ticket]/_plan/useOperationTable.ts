'use client';

import { customWork, tableWith, type OperationTable } from '@holotonos/core';
import { useMemo } from 'react';
import { useJob } from '@/job/JobContext';

/** The table of operations of this job: what ships, and what the shop has added. */
export function useOperationTable(): OperationTable {
  const { shop } = useJob();
  return useMemo(() => tableWith(customWork(shop)?.operations), [shop]);
}
