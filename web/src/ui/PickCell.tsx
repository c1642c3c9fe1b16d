'use client';

import type { ReactNode } from 'react';

/** The head of a row that is gone to by pressing it. */
export function PickCell({ here, onPick, children }: { here: boolean; onPick: () => void; children: ReactNode }) {
  return (
    <th scope="row">
      <button type="button" className="plain" aria-current={here ? 'true' : undefined} onClick={onPick}>
        {children}
      </button>
    </th>
  );
}
