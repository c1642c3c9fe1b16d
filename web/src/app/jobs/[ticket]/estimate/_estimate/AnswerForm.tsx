'use client';

import { agreementAnswers, estimateSteps, type AgreementAnswer, type EntryOf } from '@holotonos/core';
import { useId, useMemo, useState } from 'react';
import { useWhen } from '@/frame/BenchContext';
import { Button, Form } from '@/ui/bootstrap';
import { useJob } from '@/job/JobContext';

const words: Record<AgreementAnswer, string> = {
  accepted: 'Accepts it',
  changed: 'Accepts it with changes',
  refused: 'Does not want it',
};

/** What the owner says to an estimate, with the day. Steps can be left out of it; another practice is then taken up. */
export function AnswerForm({ estimate }: { estimate: EntryOf<'estimate'> }) {
  const { type, shop, now, write } = useJob();
  const { dayOf } = useWhen();
  const id = useId();
  const [answer, setAnswer] = useState<AgreementAnswer>('accepted');
  const [on, setOn] = useState(() => dayOf(now));
  const [by, setBy] = useState('');
  const [note, setNote] = useState('');
  const [without, setWithout] = useState<readonly string[]>([]);
  const { body } = estimate;
  const steps = useMemo(() => estimateSteps(body.operations, type, shop), [body.operations, type, shop]);
  const submit = () => {
    write('agreement', {
      estimate: body.estimate,
      answer,
      on,
      ...(by.trim() && { by: by.trim() }),
      ...(note.trim() && { note: note.trim() }),
      ...(answer === 'changed' && { without: [...without] }),
    });
  };
  return (
    <form
      className="answer"
      onSubmit={(event) => {
        event.preventDefault();
        submit();
      }}
    >
      <fieldset className="mb-2">
        <legend className="fs-6 fw-bold mb-1">The owner</legend>
        <div className="d-flex flex-wrap gap-4">
          {agreementAnswers.map((each) => (
            <Form.Check
              key={each}
              id={`${id}-${each}`}
              type="radio"
              name={`${id}-answer`}
              label={words[each]}
              checked={answer === each}
              onChange={() => setAnswer(each)}
            />
          ))}
        </div>
      </fieldset>
      {answer === 'changed' && (
        <fieldset className="mb-2 answer-steps">
          <legend className="fs-6 fw-bold">Without these steps</legend>
          {steps.map(({ id: step, title }) => (
            <Form.Check
              key={step}
              id={`${id}-${step}`}
              type="checkbox"
              label={title}
              checked={without.includes(step)}
              onChange={(event) =>
                setWithout((list) => (event.target.checked ? [...list, step] : list.filter((each) => each !== step)))
              }
            />
          ))}
        </fieldset>
      )}
      <div className="shop-form">
        <div>
          <Form.Label htmlFor={`${id}-on`}>On</Form.Label>
          <Form.Control id={`${id}-on`} type="date" value={on} onChange={(event) => setOn(event.target.value)} />
        </div>
        <div>
          <Form.Label htmlFor={`${id}-by`}>Said by</Form.Label>
          <Form.Control id={`${id}-by`} value={by} onChange={(event) => setBy(event.target.value)} />
        </div>
        <div>
          <Form.Label htmlFor={`${id}-note`}>In their words</Form.Label>
          <Form.Control id={`${id}-note`} value={note} onChange={(event) => setNote(event.target.value)} />
        </div>
        <Button type="submit" className="align-self-end" disabled={on === ''}>
          Write down the answer
        </Button>
      </div>
    </form>
  );
}
