'use client';

import { lookAt, looksWaiting, type MasterLook } from '@holotonos/core';
import { Link } from '@/ui/Link';
import { useState } from 'react';
import { useWhen } from '@/frame/BenchContext';
import { useMay } from '@/frame/useMay';
import { Button } from '@/ui/bootstrap';
import { TextField } from '@/ui/fields';
import { ReasonForm } from '@/ui/formParts';
import { useJob } from './JobContext';

/** Somebody who may judge says what it is. */
function Answer({ look, name }: { look: MasterLook; name: string }) {
  const { write } = useJob();
  const [back, setBack] = useState(false);
  if (!useMay('judge')) return null;
  if (back)
    return (
      <ReasonForm
        label="What has to be done otherwise?"
        action="Send it back"
        onReason={(reason) => {
          if (write('look-given', { asked: look.asked, good: false, reason })) setBack(false);
        }}
        onBack={() => setBack(false)}
      />
    );
  return (
    <div className="d-flex flex-wrap gap-2">
      <Button
        variant="quiet"
        aria-label={`It is good: ${name}`}
        onClick={() => write('look-given', { asked: look.asked, good: true })}
      >
        It is good
      </Button>
      <Button variant="quiet" aria-label={`Send it back: ${name}`} onClick={() => setBack(true)}>
        Send it back …
      </Button>
    </div>
  );
}

/** A look is asked for, with what to look for if there is anything to say. */
function Ask({ about, of, name }: Pick<MasterLook, 'about' | 'of'> & { name: string }) {
  const { write } = useJob();
  const [asks, setAsks] = useState(false);
  const [question, setQuestion] = useState('');
  if (!asks)
    return (
      <Button variant="quiet" aria-label={`Ask for a master’s look: ${name}`} onClick={() => setAsks(true)}>
        Ask for a master’s look …
      </Button>
    );
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        if (!write('look-asked', { about, of, ...(question.trim() && { question: question.trim() }) })) return;
        setAsks(false);
        setQuestion('');
      }}
    >
      <TextField
        label="What should be looked at? (if you like)"
        autoFocus
        value={question}
        set={setQuestion}
        className="mb-2"
      />
      <div className="d-flex gap-2">
        <Button type="submit">Ask</Button>
        <Button variant="quiet" onClick={() => setAsks(false)}>
          Back
        </Button>
      </div>
    </form>
  );
}

const asksWords = ({ by, question }: MasterLook): string =>
  question === '' ? `${by} asks for a master’s look.` : `${by} asks for a master’s look: ${question}`;

/**
 * A master’s look at a finding or a step: asked for, given, or asked for again.
 *
 * @param name of what is looked at, for whoever hears the buttons
 */
export function MasterLookAt({ about, of, name }: Pick<MasterLook, 'about' | 'of'> & { name: string }) {
  const { state } = useJob();
  const { momentText } = useWhen();
  const look = lookAt(state, about, of);
  const { answer } = look ?? {};
  if (state.signOff && !look) return null;
  return (
    <div className="mb-2">
      {look && !answer && (
        <div className="say attention">
          <p className="mb-1">{asksWords(look)}</p>
          <Answer look={look} name={name} />
        </div>
      )}
      {answer && (
        <p className={answer.good ? 'say sound mb-2' : 'say fault mb-2'}>
          {answer.good ? 'Looked at and good' : 'Sent back'}, {answer.by}, {momentText(answer.at)}
          {answer.reason ? `: ${answer.reason}` : '.'}
        </p>
      )}
      {(!look || (answer && !answer.good)) && !state.signOff && <Ask about={about} of={of} name={name} />}
    </div>
  );
}

/** Everything in this job that waits for a master, with the way there. */
export function LooksWaiting() {
  const { ticket, state, plan, names } = useJob();
  const waiting = looksWaiting(state);
  if (waiting.length === 0) return null;
  const placeOf = ({ about, of }: MasterLook): [string, string] => {
    if (about === 'operation')
      return [
        plan.steps.find(({ id }) => id === of)?.title ?? state.operations.get(of)?.title ?? of,
        `plan?step=${encodeURIComponent(of)}`,
      ];
    const finding = state.findings.get(of);
    return [finding ? (names.get(finding.part) ?? finding.part) : of, 'findings'];
  };
  return (
    <section className="sheet" aria-label="Waiting for a master">
      <h2>Waiting for a master</h2>
      <ul className="mb-0">
        {waiting.map((look) => {
          const [place, page] = placeOf(look);
          return (
            <li key={look.asked}>
              <Link href={`/jobs/${ticket}/${page}`}>{place}</Link>. {asksWords(look)}
            </li>
          );
        })}
      </ul>
    </section>
  );
}
