'use client';

import { parseNumber, isOpenStep, removableNames, wholeInstrument, type Step } from '@holotonos/core';
import { useId, useState } from 'react';
import { Button, Form } from '@/ui/bootstrap';
import { useJob } from '@/job/JobContext';
import { figureField, markedWrong, TextField } from '@/ui/fields';
import { useWrongField } from '@/ui/useWrongField';
import { minutesText } from '@/ui/words';
import { useOperationTable } from './useOperationTable';

/** What was changed by hand about a step, and a way to change it: its place among the others, or its time. */
export function HandChange({ step }: { step: Step }) {
  const { plan, state, write } = useJob();
  const id = useId();
  const [before, setBefore] = useState('');
  const [minutes, setMinutes] = useState('');
  const [reason, setReason] = useState('');
  const change = state.planChanges.get(step.id)?.body;
  const unkept = plan.unkept.find(({ operation }) => operation === step.id);
  const titles = new Map(plan.steps.map(({ id: key, title }) => [key, title]));
  const wrong = useWrongField();
  const submit = () => {
    const likely = parseNumber(minutes);
    if (minutes.trim() !== '' && (likely === null || likely < 0))
      return wrong.say('minutes', 'Type minutes, 0 or more, or leave them as they are.');
    if (before === '' && minutes.trim() === '')
      return wrong.say('minutes', 'Say before which step it comes, or how long it takes.');
    if (reason.trim() === '') return wrong.say('reason', 'Say why: the plan shows it.');
    wrong.sayNothing();
    const written = write('plan-change', {
      operation: step.id,
      reason: reason.trim(),
      ...(before !== '' && { before }),
      ...(likely !== null && {
        minutes: { low: Math.round(likely * 0.7), likely, high: Math.round(likely * 1.6) },
      }),
    });
    if (!written) return;
    setBefore('');
    setMinutes('');
    setReason('');
  };
  return (
    <details className="hand-change">
      <summary>Change it by hand{change ? ' (changed)' : ''}</summary>
      {change && (
        <p className="mb-2">
          {change.before !== undefined && <>Put before “{titles.get(change.before) ?? change.before}”. </>}
          {change.minutes && <>Reckoned with {minutesText(change.minutes.likely)}. </>}
          {change.add && <>Added by hand. </>}
          <span className="soft">{change.reason}</span>
        </p>
      )}
      {unkept && (
        <p className="say attention">
          Its place cannot be kept now. {unkept.reason} The wish is not lost: it holds again when the rules allow it.
        </p>
      )}
      <form
        onSubmit={(event) => {
          event.preventDefault();
          submit();
        }}
      >
        <Form.Label htmlFor={`${id}-before`}>Put it before</Form.Label>
        <Form.Select
          id={`${id}-before`}
          className="mb-2"
          value={before}
          onChange={(event) => setBefore(event.target.value)}
        >
          <option value="">where the rules put it</option>
          {plan.steps
            .filter((other) => other.id !== step.id && isOpenStep(other))
            .map(({ id: key, title }) => (
              <option key={key} value={key}>
                {title}
              </option>
            ))}
        </Form.Select>
        <TextField
          label="Likely minutes"
          className="mb-2"
          {...figureField}
          value={minutes}
          placeholder={String(step.minutes.likely)}
          set={setMinutes}
          wrongBy={wrong.wrongBy('minutes')}
        />
        <TextField label="Why" className="mb-2" value={reason} set={setReason} wrongBy={wrong.wrongBy('reason')} />
        {wrong.line}
        <div className="d-flex gap-2">
          <Button type="submit" variant="quiet">
            Change the plan
          </Button>
          {change && (
            <Button
              variant="quiet"
              onClick={() =>
                write('plan-change', { operation: step.id, withdrawn: true, reason: 'taken back by hand' })
              }
            >
              Take the change back
            </Button>
          )}
        </div>
      </form>
    </details>
  );
}

/** A step the rules did not ask for: any of the table, on any part. */
export function AddStep() {
  const { type, write } = useJob();
  const parts = removableNames(type);
  const id = useId();
  const table = useOperationTable();
  const [kind, setKind] = useState('');
  const [part, setPart] = useState('');
  const [reason, setReason] = useState('');
  const chosen = table.get(kind);
  const local = chosen?.title.includes('{part}') ?? false;
  const at = local ? part : wholeInstrument;
  const wrong = useWrongField();
  const submit = () => {
    if (!chosen) return wrong.say('kind', 'Choose which step.');
    if (at === '') return wrong.say('part', 'Choose on which part.');
    if (reason.trim() === '') return wrong.say('reason', 'Say why: the plan shows it.');
    wrong.sayNothing();
    if (!write('plan-change', { operation: `${kind}:${at}`, add: { kind, part: at }, reason: reason.trim() })) return;
    setKind('');
    setReason('');
  };
  return (
    <form
      className="hand-change"
      onSubmit={(event) => {
        event.preventDefault();
        submit();
      }}
    >
      <Form.Label htmlFor={`${id}-kind`}>Step</Form.Label>
      <Form.Select
        id={`${id}-kind`}
        className="mb-2"
        {...markedWrong(wrong.wrongBy('kind'))}
        value={kind}
        onChange={(event) => setKind(event.target.value)}
      >
        <option value="">choose</option>
        {[...table].map(([name, { title, stage }]) => (
          <option key={name} value={name}>
            {stage}: {title.replace(': {part}', '')}
          </option>
        ))}
      </Form.Select>
      {local && (
        <>
          <Form.Label htmlFor={`${id}-part`}>On</Form.Label>
          <Form.Select
            id={`${id}-part`}
            className="mb-2"
            {...markedWrong(wrong.wrongBy('part'))}
            value={part}
            onChange={(event) => setPart(event.target.value)}
          >
            <option value="">choose</option>
            {[...parts].map(([key, name]) => (
              <option key={key} value={key}>
                {name}
              </option>
            ))}
          </Form.Select>
        </>
      )}
      <TextField label="Why" className="mb-2" value={reason} set={setReason} wrongBy={wrong.wrongBy('reason')} />
      {wrong.line}
      <Button type="submit" variant="quiet">
        Add the step to the plan of this {type.name.toLowerCase()}
      </Button>
    </form>
  );
}
