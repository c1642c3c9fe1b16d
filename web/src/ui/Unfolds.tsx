'use client';

import { useEffect, useRef, useState, type ReactNode } from 'react';

/**
 * A fold whose inside is not asked for before it is opened. What was opened before the page ran here is open too.
 */
export function Unfolds({ summary, children }: { summary: ReactNode; children: ReactNode }) {
  const fold = useRef<HTMLDetailsElement>(null);
  const [open, setOpen] = useState(false);
  useEffect(() => setOpen(fold.current?.open ?? false), []);
  return (
    <details ref={fold} onToggle={(event) => setOpen(event.currentTarget.open)}>
      <summary>{summary}</summary>
      {open && children}
    </details>
  );
}
