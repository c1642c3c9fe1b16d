'use client';

import type { Entry } from '@holotonos/core';
import { useEffect, useState, type ReactNode } from 'react';
import { Button } from '@/ui/bootstrap';

/**
 * A logbook too long for one page: its rest is fetched in parts, and shown is how far that has come. Nothing is judged
 * before all of it is there, for a judgement of half a logbook would be wrong.
 */
export function WholeLogbook({
  ticket,
  first,
  total,
  children,
}: {
  ticket: string;
  /** its beginning, as it came with the page */
  first: Entry[];
  /** how many entries it had when the page was made; later ones come as they always do */
  total: number;
  children: (entries: Entry[]) => ReactNode;
}) {
  const [entries, setEntries] = useState(first);
  const [problem, setProblem] = useState<string | null>(null);
  const whole = entries.length >= total;

  useEffect(() => {
    if (entries.length >= total || problem) return;
    const stop = new AbortController();
    const fetchPart = async () => {
      const after = entries.at(-1)?.seq ?? 0;
      const response = await fetch(`/api/v1/jobs/${encodeURIComponent(ticket)}/entries?after=${after}`, {
        signal: stop.signal,
      });
      const part = (await response.json()) as { entries?: Entry[]; message?: string };
      if (!response.ok || !part.entries?.length) throw new Error(part.message ?? 'The rest of it did not come.');
      const more = part.entries;
      setEntries((before) => [...before, ...more]);
    };
    fetchPart().catch((error: unknown) => {
      if (!stop.signal.aborted) setProblem((error as Error).message || 'The server does not answer.');
    });
    return () => stop.abort();
  }, [entries, total, ticket, problem]);

  if (whole) return children(entries);
  return (
    <main id="main" className="page">
      <h1>{ticket}</h1>
      <div className="sheet" style={{ maxWidth: '44rem' }}>
        <p role="status">
          Reading the logbook: {entries.length} of {total} entries
        </p>
        <progress value={entries.length} max={total} aria-label="Entries read" />
        {problem && (
          <div className="mt-3">
            <p role="alert" className="problem">
              {problem}
            </p>
            <Button onClick={() => setProblem(null)}>Go on reading</Button>
          </div>
        )}
      </div>
    </main>
  );
}
