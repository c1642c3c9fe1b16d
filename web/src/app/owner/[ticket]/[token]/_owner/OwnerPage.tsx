'use client';

import type { OwnerOffer, OwnerView } from '@holotonos/core';
import { useId, useRef, useState } from 'react';
import { v4 as newId } from 'uuid';
import { useWhen } from '@/frame/BenchContext';
import { Button } from '@/ui/bootstrap';
import { TextField } from '@/ui/fields';
import { refusedWords } from '@/ui/refusedWords';
import { WithReasons } from '@/ui/WithReasons';

const answered = { accepted: 'Accepted', changed: 'Accepted with changes', refused: 'Not wanted' } as const;

/** What the owner says to an offer: one press, with a name. */
function AnswerTo({ offer, base, owner }: { offer: OwnerOffer; base: string; owner: string }) {
  const [by, setBy] = useState(owner);
  const [note, setNote] = useState('');
  const [problem, setProblem] = useState('');
  const [said, setSaid] = useState<'accepted' | 'refused' | null>(null);
  const [busy, setBusy] = useState(false);
  // Pressed again after an answer that got lost, it is still the one answer.
  const ids = useRef({ accepted: newId(), refused: newId() });
  const say = async (answer: 'accepted' | 'refused') => {
    if (by.trim() === '') return setProblem('Write your name first.');
    setBusy(true);
    const response = await fetch(`${base}/answer`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({
        id: ids.current[answer],
        estimate: offer.estimate,
        answer,
        by: by.trim(),
        note: note.trim(),
      }),
    }).catch(() => null);
    setBusy(false);
    if (response?.ok) return setSaid(answer);
    setProblem(
      await refusedWords(response, 'It did not get through. What you wrote is still here: try again in a moment.'),
    );
  };
  if (said !== null)
    return (
      <p className="say sound" role="status">
        {said === 'accepted' ? 'Accepted. The shop sees it at once.' : 'The shop knows that you do not want it.'}
      </p>
    );
  return (
    <form
      aria-label={`Your answer: ${offer.title}`}
      onSubmit={(event) => {
        event.preventDefault();
        void say('accepted');
      }}
    >
      <TextField label="Your name" autoComplete="name" value={by} set={setBy} />
      <TextField label="Anything to say to it (if you like)" rows={2} value={note} set={setNote} />
      {problem && (
        <p role="alert" className="say fault">
          {problem}
        </p>
      )}
      <div className="d-flex flex-wrap gap-2 mt-2">
        <Button type="submit" disabled={busy}>
          I accept
        </Button>
        <Button variant="quiet" disabled={busy} onClick={() => void say('refused')}>
          I do not want it
        </Button>
      </div>
    </form>
  );
}

function Offer({ offer, base, owner }: { offer: OwnerOffer; base: string; owner: string }) {
  const { dayText } = useWhen();
  return (
    <section className="sheet" aria-label={offer.title}>
      <h3>{offer.isChange ? `A change: ${offer.title}` : offer.title}</h3>
      <p>
        <strong>{offer.total}</strong> <span className="soft">({offer.range}, with tax)</span>
      </p>
      {offer.note && <p>{offer.note}</p>}
      <details>
        <summary>What it is for</summary>
        <ul>
          {offer.lines.map(({ what, amount }, i) => (
            <li key={i}>
              {what}: {amount}
            </li>
          ))}
        </ul>
        {offer.leaves.length > 0 && (
          <>
            <p className="mb-1">Left as it is:</p>
            <WithReasons list={offer.leaves} />
          </>
        )}
      </details>
      {offer.answer ? (
        <p className="say sound mb-0">
          {answered[offer.answer.answer]} on {dayText(offer.answer.on)}
          {offer.answer.by && ` by ${offer.answer.by}`}.
        </p>
      ) : (
        <AnswerTo offer={offer} base={base} owner={owner} />
      )}
    </section>
  );
}

/** What the owner of an instrument sees of it: how it goes, what is to be agreed to, and what they take home. */
export function OwnerPage({ view, base }: { view: OwnerView; base: string }) {
  const { dayText } = useWhen();
  const id = useId();
  const { record, offers } = view;
  const open = offers.filter(({ answer }) => answer === null);
  const closed = offers.filter(({ answer }) => answer !== null);
  return (
    <main id="main" className="page owner-page">
      <h1>{view.instrument}</h1>
      <p className="soft">
        Ticket {view.ticket}, for {view.owner}
      </p>
      <section className="sheet" aria-label="How it goes">
        <p className="stage mb-2">{view.stage}</p>
        <label htmlFor={`${id}-done`} className="visually-hidden">
          Steps done
        </label>
        <progress id={`${id}-done`} value={view.done} max={Math.max(1, view.of)} />
        <p className="soft mb-0">
          {view.done} of {view.of} steps are done.{view.dueBy && ` It is promised for ${dayText(view.dueBy)}.`}
        </p>
      </section>
      {open.length > 0 && (
        <>
          <h2>To be agreed to</h2>
          {open.map((offer) => (
            <Offer key={offer.estimate} offer={offer} base={base} owner={view.owner} />
          ))}
        </>
      )}
      {view.photos.length > 0 && (
        <>
          <h2>Photographs</h2>
          <ul className="owner-photos">
            {view.photos.map(({ photo, caption, width, height }) => (
              <li key={photo}>
                <a href={`${base}/photos/${photo}`}>
                  {/* oxlint-disable-next-line nextjs/no-img-element -- served by a route of ours, as it is */}
                  <img
                    src={`${base}/photos/${photo}?size=thumbnail`}
                    alt={caption || 'A photograph of the instrument'}
                    width={width}
                    height={height}
                    loading="lazy"
                  />
                </a>
                {caption && <p className="soft mb-0">{caption}</p>}
              </li>
            ))}
          </ul>
        </>
      )}
      {record && (
        <>
          <h2>The record</h2>
          <section className="sheet" aria-label="The record">
            <p>
              Signed by {record.by} on {dayText(record.at)}. <a href={`${base}/record.pdf`}>The whole record as PDF</a>
            </p>
            {record.summary && <p>{record.summary}</p>}
            {record.checkUp && (
              <p>
                Bring it back for a look by {dayText(record.checkUp)}.{' '}
                <a href={`${base}/check-up.ics`}>Put it in my calendar</a>
              </p>
            )}
            <details>
              <summary>What was done</summary>
              <ul>
                {[...record.done, ...record.given, ...record.finish].map((line, i) => (
                  <li key={i}>{line}</li>
                ))}
              </ul>
            </details>
            {record.figures.length > 0 && (
              <details>
                <summary>Figures, before and after</summary>
                <ul>
                  {record.figures.map(({ what, before, after }) => (
                    <li key={what}>
                      {what}: {before}, then {after}
                    </li>
                  ))}
                </ul>
              </details>
            )}
            {record.left.length > 0 && (
              <details>
                <summary>What was left, and why</summary>
                <WithReasons list={record.left} />
              </details>
            )}
          </section>
        </>
      )}
      <h2>Care</h2>
      <ul>
        {view.care.map((line) => (
          <li key={line}>{line}</li>
        ))}
      </ul>
      {closed.length > 0 && (
        <>
          <h2>Agreed to so far</h2>
          {closed.map((offer) => (
            <Offer key={offer.estimate} offer={offer} base={base} owner={view.owner} />
          ))}
        </>
      )}
    </main>
  );
}
