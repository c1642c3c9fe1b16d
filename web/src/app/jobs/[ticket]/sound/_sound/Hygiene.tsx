'use client';

import { cautionWords, deferral } from '@holotonos/core';
import { useCautionsToday } from '@/job/cautionsToday';
import { useJob } from '@/job/JobContext';
import { Button } from '@/ui/bootstrap';

const cautions = ['hygiene', 'leakLight'];

/** What is said to whoever goes on before they are read. */
export const readFirst = 'Read what stands above first: nothing goes to a mouth before.';

/** Has somebody still to read what stands before anything that goes to a mouth? */
export function useIsShut(): boolean {
  const { accepted } = useCautionsToday();
  return cautions.some((caution) => !accepted.has(caution));
}

/** Nothing goes to a mouth before these were read. */
export function Hygiene({ onDone }: { onDone: () => void }) {
  const { shop } = useJob();
  const { accepted, isKnown, accept } = useCautionsToday();
  const open = cautions.filter((caution) => !accepted.has(caution));
  // Drawn first and taken away again it would pull up what lies below it, each time the page is opened.
  if (!isKnown || open.length === 0) return null;
  return (
    <section className="say fault mb-0" aria-label="Before it is played">
      <ul className="list-plain mb-1">
        {open.map((caution) => (
          <li key={caution}>{cautionWords(shop.cautions, caution).text}</li>
        ))}
      </ul>
      <p className="mb-1">{deferral}</p>
      <Button
        variant="quiet"
        onClick={() => {
          accept(cautions);
          onDone();
        }}
      >
        It is clean, and I have read this
      </Button>
    </section>
  );
}
