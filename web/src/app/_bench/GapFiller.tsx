'use client';

import type { FittingStep } from '@holotonos/core';
import { Link } from '@/ui/Link';
import { useId, useState } from 'react';
import { Form } from '@/ui/bootstrap';
import { minutesText } from '@/ui/words';

const gaps = [10, 20, 45, 90] as const;
const shown = 4;

/** A gap in the day, and the steps that fit into it, best first. */
export function GapFiller({ fits }: { fits: readonly FittingStep[] }) {
  const id = useId();
  const [minutes, setMinutes] = useState(20);
  const fitting = fits.filter((step) => step.minutes <= minutes);
  return (
    <section className="sheet" aria-labelledby={`${id}-head`} data-testid="gap">
      <div className="d-flex flex-wrap align-items-center gap-2 mb-2">
        <h2 id={`${id}-head`} className="mb-0">
          I have
        </h2>
        <Form.Select
          className="gap-minutes"
          aria-label="Minutes at hand"
          value={minutes}
          onChange={(event) => setMinutes(Number(event.target.value))}
        >
          {gaps.map((each) => (
            <option key={each} value={each}>
              {each} minutes
            </option>
          ))}
        </Form.Select>
      </div>
      {fitting.length === 0 ? (
        <p className="mb-0 soft">Nothing that can start now fits into that.</p>
      ) : (
        <ol className="list-plain mb-0">
          {fitting.slice(0, shown).map(({ ticket, id: step, title, minutes: likely, reason }) => (
            <li key={`${ticket} ${step}`} className="mb-1">
              <Link href={`/jobs/${ticket}/card?step=${encodeURIComponent(step)}`}>
                {ticket}: {title}
              </Link>{' '}
              <span className="soft">
                {minutesText(likely)}. {reason}
              </span>
            </li>
          ))}
        </ol>
      )}
    </section>
  );
}
