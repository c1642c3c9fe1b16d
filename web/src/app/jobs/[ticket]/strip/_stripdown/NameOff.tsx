'use client';

import { proposedRod, readNamedOff, type NamedOffBody } from '@holotonos/core';
import { useDeferredValue, useId, useMemo, useState, type RefObject } from 'react';
import { useJob } from '@/job/JobContext';
import { Form } from '@/ui/bootstrap';
import { FieldProblem } from '@/ui/fields';

/** Where what comes off goes, in a few words. */
const placesOf = ({ off }: NamedOffBody): string[] =>
  off.length === 0 ? [] : [`→ ${off.map(({ cell }) => cell ?? 'a bag').join(', ')}`];

/** What comes off is named and put down in one line; what it is taken to be stands under it before Enter. */
export function NameOff({
  field,
  onNamed,
  onUndo,
  onLeave,
}: {
  field: RefObject<HTMLInputElement | null>;
  onNamed: (body: NamedOffBody) => boolean;
  onUndo: () => void;
  onLeave: () => void;
}) {
  const { state } = useJob();
  const id = useId();
  const [text, setText] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  // Reading the line walks all parts; the letters must not wait for it.
  const typed = useDeferredValue(text);
  const read = useMemo(() => (typed.trim() === '' ? null : readNamedOff(state, typed)), [state, typed]);
  const rod = useMemo(() => proposedRod(state), [state]);
  const submit = () => {
    const line = readNamedOff(state, text);
    if (!line.ok) setProblem(line.problem);
    else if (onNamed(line.body)) setText('');
  };
  const hint = rod
    ? `A key named now turns on ${rod.name}, unless it says “; on nothing”.`
    : 'Say more after a semicolon: on a rod, pivots, over a part, needle, cork at foot, a note.';
  return (
    <form
      className="name-off mb-2"
      onSubmit={(event) => {
        event.preventDefault();
        submit();
      }}
    >
      <Form.Label htmlFor={id} className="mb-0">
        Take off and name
      </Form.Label>
      <Form.Control
        id={id}
        ref={field}
        autoComplete="off"
        maxLength={600}
        value={text}
        isInvalid={problem !== null}
        aria-describedby={`${id}-read ${id}-problem`}
        onChange={(event) => {
          setText(event.target.value);
          setProblem(null);
        }}
        onKeyDown={(event) => {
          if (event.key === 'Escape') onLeave();
          else if (event.key === 'Backspace' && text === '') onUndo();
        }}
      />
      <p id={`${id}-read`} className="soft mb-0 name-off-hint">
        {read?.ok ? [...read.says, ...placesOf(read.body)].join(' · ') : hint}
      </p>
      <FieldProblem id={`${id}-problem`} words={problem ?? undefined} />
    </form>
  );
}
