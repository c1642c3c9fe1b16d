'use client';

import { dayAfter, linkOpens } from '@holotonos/core';
import { useId, useState } from 'react';
import { useBench, useWhen } from '@/frame/BenchContext';
import { useJob } from '@/job/JobContext';
import { unnamed } from '@/job/unnamed';
import { Button, Form } from '@/ui/bootstrap';
import { TextField } from '@/ui/fields';
import { refusedWords } from '@/ui/refusedWords';

/** How long a link opens unless somebody says otherwise, days. */
const usualDays = 60;

/** A page for the owner: which photographs they see, until when; links that were given, and taking them back. */
export function OwnerLinks() {
  const { ticket, state, now, write } = useJob();
  const { who } = useBench();
  const { dayOf, dayText } = useWhen();
  const id = useId();
  const today = dayOf(now);
  const photos = [...state.photos.values()];
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  const [until, setUntil] = useState(() => dayAfter(today, usualDays));
  const [made, setMade] = useState('');
  const [problem, setProblem] = useState('');
  const links = [...state.ownerLinks.values()].filter((link) => linkOpens(link, today));
  const submit = async () => {
    setProblem('');
    const response = await fetch(
      `/api/v1/jobs/${encodeURIComponent(ticket)}/owner-link?author=${encodeURIComponent(who() || unnamed)}`,
      {
        method: 'POST',
        headers: { 'Content-Type': 'application/json' },
        body: JSON.stringify({ until, photos: [...chosen] }),
      },
    ).catch(() => null);
    if (!response?.ok)
      return setProblem(await refusedWords(response, 'The server does not answer. Try again in a moment.'));
    // That it was given comes over the wire, like everything others write.
    const given = (await response.json().catch(() => null)) as { path: string } | null;
    if (!given)
      return setProblem(
        'The answer broke off, and the address is told only once. Take the link back and make another.',
      );
    setMade(`${window.location.origin}${given.path}`);
  };
  return (
    <section className="mt-4" aria-labelledby={`${id}-title`}>
      <h2 id={`${id}-title`}>The owner’s page</h2>
      <p className="soft">
        By a link nobody can guess, without a key: how it goes, what is to be agreed to, the photographs you choose, and
        once it is signed the record. Nothing else of the shop.
      </p>
      {links.length > 0 && (
        <ul className="list-plain">
          {links.map(({ link, until: last, photos: shown }) => (
            <li key={link} className="d-flex flex-wrap gap-3 align-items-baseline mb-2">
              <span>
                A link opens until {dayText(last)}, with {shown.length} {shown.length === 1 ? 'photo' : 'photos'}.
              </span>
              <Button variant="quiet" onClick={() => write('owner-link-over', { link })}>
                Take it back
              </Button>
            </li>
          ))}
        </ul>
      )}
      {made && (
        <div className="say sound d-block" role="status">
          <p className="mb-1">This is the link. It is shown this once; copy it now.</p>
          <input
            className="form-control figure"
            aria-label="The link"
            readOnly
            value={made}
            onFocus={(event) => event.target.select()}
          />
        </div>
      )}
      <form
        className="sheet mt-2"
        aria-label="A link for the owner"
        onSubmit={(event) => {
          event.preventDefault();
          void submit();
        }}
      >
        {photos.length > 0 && (
          <fieldset className="mb-2">
            <legend className="fs-6 fw-bold">Photographs they see</legend>
            {photos.map(({ photo, caption, benchTime }) => (
              <Form.Check
                key={photo}
                id={`${id}-${photo}`}
                type="checkbox"
                label={`${caption || 'without words'}, ${dayText(benchTime)}`}
                checked={chosen.has(photo)}
                onChange={(event) =>
                  setChosen((before) => {
                    const next = new Set(before);
                    if (event.target.checked) next.add(photo);
                    else next.delete(photo);
                    return next;
                  })
                }
              />
            ))}
          </fieldset>
        )}
        <div className="d-flex flex-wrap gap-2 align-items-end">
          <TextField label="Opens until" type="date" value={until} set={setUntil} />
          <Button type="submit">Make a link</Button>
        </div>
        {problem && (
          <p role="alert" className="say fault mt-2 mb-0">
            {problem}
          </p>
        )}
      </form>
    </section>
  );
}
