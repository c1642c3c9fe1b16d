'use client';

import { ReadingsTaker } from '@/files/ReadingsTaker';
import { BookTaker } from './BookTaker';

/** The ways out of here, and the files that come in. */
export function TakeAway({ ticket, hasCheckUp }: { ticket: string; hasCheckUp: boolean }) {
  const base = `/api/v1/jobs/${ticket}`;
  return (
    <section className="sheet no-print" aria-label="Take it with you">
      <h2>Take it with you</h2>
      <p className="d-flex flex-wrap gap-2">
        <a className="btn btn-primary" href={`${base}/record.pdf`}>
          Record as PDF
        </a>
        <a className="btn btn-quiet" href={`${base}/card.pdf`}>
          Bench card
        </a>
        {hasCheckUp && (
          <>
            <a className="btn btn-quiet" href={`${base}/check-up.pdf`}>
              Check-up card
            </a>
            <a className="btn btn-quiet" href={`${base}/check-up.ics`}>
              Check-up for a calendar
            </a>
          </>
        )}
        <a className="btn btn-quiet" href={`${base}/export`}>
          Whole job as JSON
        </a>
        <a className="btn btn-quiet" href={`${base}/readings`}>
          Readings as CSV
        </a>
        <a className="btn btn-quiet" href={`${base}/looks`}>
          Looks as CSV
        </a>
        <a className="btn btn-quiet" href={`${base}/book.zip`}>
          Measuring book (.zip)
        </a>
      </p>
      <ReadingsTaker />
      <BookTaker />
    </section>
  );
}
