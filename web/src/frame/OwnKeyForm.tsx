'use client';

import { useState } from 'react';
import { Button } from '@/ui/bootstrap';
import { Problem, TextField } from '@/ui/fields';
import { askDoor } from './keysApi';

/** Whoever is here chooses another number or password for themselves; every other browser of theirs is signed out. */
export function OwnKeyForm({ name, onDone }: { name: string; onDone: () => void }) {
  const [current, setCurrent] = useState('');
  const [pin, setPin] = useState('');
  const [password, setPassword] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const [kept, setKept] = useState(false);
  const keep = async () => {
    const answer = await askDoor('/own', { current, pin: pin.trim(), password });
    if (!answer.ok) return setProblem(answer.message);
    setProblem(null);
    setKept(true);
  };
  if (kept)
    return (
      <>
        <p className="say sound" role="status">
          It is so from now on. Wherever else you were signed in, you are no longer.
        </p>
        <Button onClick={onDone}>Back to work</Button>
      </>
    );
  return (
    <form
      aria-label={`The key of ${name}`}
      onSubmit={(event) => {
        event.preventDefault();
        void keep();
      }}
    >
      <TextField
        label="Your password as it is (or your number, if you have no password)"
        type="password"
        autoComplete="current-password"
        autoFocus
        className="mb-2"
        value={current}
        set={setCurrent}
      />
      <TextField
        label="New number for the bench, 4 to 8 digits (empty: as it is)"
        inputMode="numeric"
        autoComplete="off"
        className="mb-2"
        value={pin}
        set={setPin}
      />
      <TextField
        label="New password, 10 characters or more (empty: as it is)"
        type="password"
        autoComplete="new-password"
        className="mb-2"
        value={password}
        set={setPassword}
      />
      <div className="d-flex gap-2">
        <Button type="submit" disabled={current === '' || (pin.trim() === '' && password === '')}>
          Keep it
        </Button>
        <Button variant="quiet" onClick={onDone}>
          Back
        </Button>
      </div>
      <Problem problem={problem} />
    </form>
  );
}
