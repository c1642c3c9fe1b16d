'use client';

import type { InstrumentType } from '@holotonos/core';
import { useEffect, useState } from 'react';

/** The types that ship, once they have come: few pages ask for all of them. None until then, or where they cannot come. */
export function useShippedTypes(): readonly InstrumentType[] {
  const [types, setTypes] = useState<readonly InstrumentType[]>([]);
  useEffect(() => {
    void import('@holotonos/core/shippedTypes').then(
      ({ shippedTypes }) => setTypes(shippedTypes),
      () => undefined,
    );
  }, []);
  return types;
}
