'use client';

import { useState } from 'react';
import { Button } from '@/ui/bootstrap';
import { ReasonForm } from '@/ui/formParts';
import { useJob } from './JobContext';

/**
 * What a pass taught is counted in, or put aside with a reason: the pass was made all the same.
 *
 * @param name of the pass, for whoever hears the button
 */
export function PassLesson({ entry, aside, name }: { entry: string; aside: string | null; name: string }) {
  const { write } = useJob();
  const [asks, setAsks] = useState(false);
  if (asks)
    return (
      <ReasonForm
        label="Why is it doubted?"
        action="Put it aside"
        onReason={(reason) => {
          if (write('pass-aside', { pass: entry, aside: true, reason })) setAsks(false);
        }}
        onBack={() => setAsks(false)}
      />
    );
  if (aside === null)
    return (
      <Button variant="quiet" aria-label={`Learn nothing from ${name}`} onClick={() => setAsks(true)}>
        Learn nothing from it
      </Button>
    );
  return (
    <>
      <span className="soft">Nothing is learned from it: {aside}.</span>{' '}
      <Button
        variant="quiet"
        aria-label={`Learn from ${name} again`}
        onClick={() => write('pass-aside', { pass: entry, aside: false, reason: 'taken up again' })}
      >
        Learn from it again
      </Button>
    </>
  );
}
