'use client';

import { roleWords, type Role } from '@holotonos/core';
import { useId, useState } from 'react';
import { Button, Form } from '@/ui/bootstrap';
import { FieldProblem } from '@/ui/fields';
import { askDoor, type Taker } from './keysApi';

/** A name is tapped, a number typed: whoever that is works on from here. */
export function PinForm({
  people,
  onIn,
}: {
  people: readonly Taker[];
  onIn: (who: { name: string; role: Role }) => void;
}) {
  const id = useId();
  const [chosen, setChosen] = useState<string | null>(people.length === 1 ? (people[0]?.id ?? null) : null);
  const [pin, setPin] = useState('');
  const [problem, setProblem] = useState('');
  const [busy, setBusy] = useState(false);
  const shown = people.some((each) => each.pin !== undefined);
  const submit = async () => {
    if (chosen === null) return setProblem('Tap your name first.');
    if (!/^\d{4,8}$/.test(pin)) return setProblem('Your number has four to eight digits.');
    setBusy(true);
    const answer = await askDoor<{ name: string; role: Role }>('/hands', { key: chosen, pin });
    setBusy(false);
    if (!answer.ok) {
      setPin('');
      return setProblem(answer.message);
    }
    setProblem('');
    onIn(answer.body);
  };
  return (
    <form
      aria-label="Who is at the bench"
      onSubmit={(event) => {
        event.preventDefault();
        void submit();
      }}
    >
      <div className="takers" role="group" aria-label="Names">
        {people.map((each) => (
          <Button
            key={each.id}
            variant={each.id === chosen ? 'primary' : 'quiet'}
            aria-pressed={each.id === chosen}
            onClick={() => {
              setChosen(each.id);
              setProblem('');
              document.getElementById(`${id}-pin`)?.focus();
            }}
          >
            <strong>{each.name}</strong>
            <span>{roleWords[each.role].title}</span>
            {each.pin !== undefined && <span className="figure">{each.pin}</span>}
          </Button>
        ))}
      </div>
      {shown && (
        <p className="soft">
          These are the people of the demo, with their numbers: on this machine only. A server that others can reach
          does not know them.
        </p>
      )}
      <Form.Label htmlFor={`${id}-pin`}>Number</Form.Label>
      <div className="d-flex gap-2">
        <Form.Control
          id={`${id}-pin`}
          className="pin"
          type="password"
          inputMode="numeric"
          autoComplete="off"
          maxLength={8}
          value={pin}
          aria-describedby={problem ? `${id}-problem` : undefined}
          isInvalid={problem !== ''}
          onChange={(event) => setPin(event.target.value)}
        />
        <Button type="submit" disabled={busy}>
          That is me
        </Button>
      </div>
      <FieldProblem id={`${id}-problem`} words={problem} />
    </form>
  );
}
