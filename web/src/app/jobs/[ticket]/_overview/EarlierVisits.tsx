'use client';

import { printQuantity, type EarlierVisit, type SinceThen } from '@holotonos/core';
import { Link } from '@/ui/Link';
import { useId, useState } from 'react';
import { useWhen } from '@/frame/BenchContext';
import { useJob } from '@/job/JobContext';
import { Thumbnail } from '@/photos/Thumbnail';
import { photoUrl } from '@/photos/uploadPhoto';
import { Button, Form } from '@/ui/bootstrap';
import { Unfolds } from '@/ui/Unfolds';
import { WithReasons } from '@/ui/WithReasons';

function Moved({ row }: { row: SinceThen }) {
  const { state } = useJob();
  const told = (value: number) => printQuantity({ value, unit: row.unit }, state.unit);
  return (
    <tr>
      <th scope="row">
        {row.place}: {row.what}
      </th>
      <td>{told(row.then.value)}</td>
      <td>{told(row.now.value)}</td>
      <td>{row.certain ? <strong>{row.moved > 0 ? 'more' : 'less'}</strong> : 'as it was'}</td>
    </tr>
  );
}

/** What this shop knows of the instrument from earlier: what was left, what was marked, and what has moved since. */
export function EarlierVisits({ visits }: { visits: readonly EarlierVisit[] }) {
  const { dayText } = useWhen();
  if (visits.length === 0) return null;
  return (
    <>
      {visits.map(({ ticket, openedAt, signedAt, by, summary, left, marks, since, photos }) => (
        <section key={ticket} className="sheet" aria-label={`Here before as ${ticket}`}>
          <h2>
            Here before: <Link href={`/jobs/${ticket}/record`}>{ticket}</Link>
          </h2>
          <p className="mb-2">
            Taken in {dayText(openedAt)}
            {signedAt ? `, signed ${dayText(signedAt)} by ${by}.` : ', never signed.'} {summary}
          </p>
          {since.length > 0 && (
            <table className="readings mb-2">
              <caption>
                {since.some(({ certain }) => certain)
                  ? 'What has moved since, more than both doubts explain, comes first'
                  : 'Nothing has moved by more than both doubts explain'}
              </caption>
              <thead>
                <tr>
                  <th scope="col">Figure</th>
                  <th scope="col">Went home</th>
                  <th scope="col">Came back</th>
                  <th scope="col">Since</th>
                </tr>
              </thead>
              <tbody>
                {since.slice(0, 12).map((row) => (
                  <Moved key={`${row.group} ${row.part} ${row.what}`} row={row} />
                ))}
              </tbody>
            </table>
          )}
          {photos.length > 0 && (
            <ul className="photo-row mb-2" aria-label={`Pictures of ${ticket}`}>
              {photos.map(({ photo, width, height, caption }) => (
                <li key={photo}>
                  <a href={photoUrl(ticket, photo)}>
                    <Thumbnail
                      ticket={ticket}
                      photo={photo}
                      width={width}
                      height={height}
                      alt={caption || `A picture of ${ticket}`}
                    />
                  </a>
                </li>
              ))}
            </ul>
          )}
          {left.length > 0 && (
            <details>
              <summary>What was left then ({left.length})</summary>
              <WithReasons list={left} />
            </details>
          )}
          {marks.length > 0 && (
            <details>
              <summary>Marks left for whoever opens it next ({marks.length})</summary>
              <ul className="mb-0">
                {marks.map((line) => (
                  <li key={line}>{line}</li>
                ))}
              </ul>
            </details>
          )}
        </section>
      ))}
    </>
  );
}

/** An instrument that somebody knows again, though no serial says so. */
export function KnownAgain() {
  const { state, write } = useJob();
  const id = useId();
  const [ticket, setTicket] = useState('');
  return (
    <Unfolds summary="Was it here before?">
      {state.sameAs.map((other) => (
        <p key={other} className="mb-1">
          It was here as <Link href={`/jobs/${other}/record`}>{other}</Link>.{' '}
          <Button
            variant="quiet"
            aria-label={`Not the same: ${other}`}
            onClick={() => write('same-instrument', { ticket: other, was: false })}
          >
            Not the same
          </Button>
        </p>
      ))}
      <form
        className="d-flex flex-wrap gap-2 align-items-end"
        onSubmit={(event) => {
          event.preventDefault();
          if (write('same-instrument', { ticket: ticket.trim(), was: true })) setTicket('');
        }}
      >
        <div>
          <Form.Label htmlFor={`${id}-ticket`}>On ticket</Form.Label>
          <Form.Control
            id={`${id}-ticket`}
            maxLength={20}
            autoComplete="off"
            value={ticket}
            onChange={(event) => setTicket(event.target.value)}
          />
        </div>
        <Button type="submit" variant="quiet" disabled={ticket.trim() === ''}>
          It is the same instrument
        </Button>
      </form>
    </Unfolds>
  );
}
