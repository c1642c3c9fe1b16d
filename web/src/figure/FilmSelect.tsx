'use client';

import { printQuantity, stock, usualFilm } from '@holotonos/core';
import { useState } from 'react';
import { useJob } from '@/job/JobContext';
import { Form } from '@/ui/bootstrap';

/** The film pulls are made with: the usual one where the shop has it, else its thinnest. */
export function useFilm() {
  const { films } = useJob().shop.sizes;
  const [film, setFilm] = useState<number>(films.includes(usualFilm) ? usualFilm : (films[0] ?? usualFilm));
  return { film, films: films.includes(film) ? films : [film], setFilm };
}

/** One of the films of the shop, in the unit of the job. */
export function FilmSelect({
  id,
  film,
  films,
  onPick,
}: {
  id: string;
  film: number;
  films: readonly number[];
  onPick: (film: number) => void;
}) {
  const { state } = useJob();
  return (
    <Form.Select
      id={id}
      style={{ width: 'auto' }}
      value={film}
      onChange={(event) => onPick(Number(event.target.value))}
    >
      {films.map((each) => (
        <option key={each} value={each}>
          {printQuantity(stock(each), state.unit)}
        </option>
      ))}
    </Form.Select>
  );
}
