'use client';

import { useId, useState, type RefObject } from 'react';
import { FilmSelect } from '@/figure/FilmSelect';
import type { RegulationDesk } from '@/regulation/useRegulation';
import { Button, Form } from '@/ui/bootstrap';

/**
 * How late the follower is by the feeler. What is typed is kept here alone: a key would draw the whole linkage anew.
 *
 * @param field where a key of the round that could begin a figure goes
 */
export function LateForm({
  desk,
  field,
}: {
  desk: Pick<RegulationDesk, 'unit' | 'pull' | 'takeFigure' | 'back'>;
  field: RefObject<HTMLInputElement | null>;
}) {
  const { unit, pull, takeFigure, back } = desk;
  const id = useId();
  const [text, setText] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  return (
    <form
      className="d-flex flex-wrap gap-2 align-items-end mt-3"
      onSubmit={(event) => {
        event.preventDefault();
        const why = takeFigure(text);
        setProblem(why);
        if (why !== null) return;
        setText('');
        back();
      }}
    >
      <div>
        <Form.Label htmlFor={`${id}-late`}>Follower late by, {unit}</Form.Label>
        <Form.Control
          ref={field}
          id={`${id}-late`}
          inputMode="decimal"
          style={{ width: '9rem' }}
          value={text}
          isInvalid={problem !== null}
          aria-describedby={`${id}-problem`}
          onChange={(event) => {
            setText(event.target.value);
            setProblem(null);
          }}
        />
      </div>
      <Button type="submit" disabled={text.trim() === ''}>
        Take it
      </Button>
      <div>
        <Form.Label htmlFor={`${id}-film`}>Film</Form.Label>
        <FilmSelect id={`${id}-film`} film={pull.film} films={pull.films} onPick={pull.setFilm} />
      </div>
      <p id={`${id}-problem`} className="text-danger mb-0" role="alert">
        {problem}
      </p>
    </form>
  );
}
