'use client';

import { isOpenStep, looksWaiting, type JobRecord } from '@holotonos/core';
import { useId, useState } from 'react';
import { Button, Form } from '@/ui/bootstrap';
import { useJob } from '@/job/JobContext';

/** Closes the job: a few words, cautions for the owner, the day of the next check-up. */
export function SignOff({ record }: { record: JobRecord }) {
  const { write, plan, state } = useJob();
  const looks = looksWaiting(state).length;
  const id = useId();
  const [summary, setSummary] = useState('');
  const [cautionText, setCautionText] = useState(record.ownerCautions.join('\n'));
  const [checkUp, setCheckUp] = useState('');
  const open = plan.steps.filter(isOpenStep).length;
  return (
    <form
      className="sheet no-print"
      onSubmit={(event) => {
        event.preventDefault();
        const ownerCautions = cautionText
          .split('\n')
          .map((line) => line.trim())
          .filter(Boolean)
          .slice(0, 20);
        write('sign-off', { ownerCautions, ...(summary.trim() && { summary }), ...(checkUp && { checkUp }) });
      }}
    >
      <h2>Sign off</h2>
      {open > 0 && (
        <p className="say attention">
          {open} {open === 1 ? 'step is' : 'steps are'} still open. Signing now records them as left.
        </p>
      )}
      {looks > 0 && (
        <p className="say attention">
          {looks === 1 ? 'A look' : `${looks} looks`} asked of a master {looks === 1 ? 'has' : 'have'} no answer yet.
        </p>
      )}
      <Form.Label htmlFor={`${id}-summary`}>In a few words</Form.Label>
      <Form.Control
        id={`${id}-summary`}
        as="textarea"
        rows={2}
        className="mb-2"
        value={summary}
        onChange={(event) => setSummary(event.target.value)}
      />
      <Form.Label htmlFor={`${id}-cautions`}>Cautions for the owner, one a line</Form.Label>
      <Form.Control
        id={`${id}-cautions`}
        as="textarea"
        rows={4}
        className="mb-2"
        value={cautionText}
        onChange={(event) => setCautionText(event.target.value)}
      />
      <Form.Label htmlFor={`${id}-check`}>Next check-up</Form.Label>
      <Form.Control
        id={`${id}-check`}
        type="date"
        className="mb-3"
        value={checkUp}
        onChange={(event) => setCheckUp(event.target.value)}
      />
      <Button type="submit">Sign the record</Button>
    </form>
  );
}
