'use client';

import { useId, type ReactNode } from 'react';
import { Button, Form } from '@/ui/bootstrap';

/** What marks a field as wrong, by the id of the line that says why; nothing where none does. */
export const markedWrong = (wrongBy: string | undefined) =>
  wrongBy === undefined ? {} : { 'isInvalid': true, 'aria-describedby': wrongBy };

/** A line of text with its label. */
export function TextField({
  label,
  value,
  set,
  wrongBy,
  ...more
}: {
  label: string;
  value: string;
  set: (value: string) => void;
  placeholder?: string;
  inputMode?: 'decimal' | 'numeric';
  autoComplete?: 'off' | 'name' | 'username' | 'current-password' | 'new-password';
  type?: 'email' | 'password' | 'date';
  autoFocus?: boolean;
  className?: string;
  /** so many lines high */
  rows?: number;
  /** is something wrong with it? */
  isInvalid?: boolean;
  /** id of the line that says what is wrong with it, where something is */
  wrongBy?: string | undefined;
  ref?: (element: HTMLInputElement | HTMLTextAreaElement | null) => void;
}) {
  const id = useId();
  return (
    <div>
      <Form.Label htmlFor={id}>{label}</Form.Label>
      <Form.Control
        id={id}
        value={value}
        onChange={(event) => set(event.target.value)}
        {...markedWrong(wrongBy)}
        {...more}
        {...(more.rows !== undefined && { as: 'textarea' as const })}
      />
    </div>
  );
}

/** One of a list, by key, with its label; `name` tells it from others of the page. */
export function ChoiceField<T extends string>({
  label,
  name,
  value,
  set,
  choices,
}: {
  label: string;
  name: string;
  value: T;
  set: (value: T) => void;
  choices: readonly (readonly [T, string])[];
}) {
  const id = `${useId()}-${name}`;
  return (
    <div>
      <Form.Label htmlFor={id}>{label}</Form.Label>
      <Form.Select id={id} value={value} onChange={(event) => set(event.target.value as T)}>
        {choices.map(([key, words]) => (
          <option key={key} value={key}>
            {words}
          </option>
        ))}
      </Form.Select>
    </div>
  );
}

/** Any of a list. */
export function TickField<T extends string>({
  label,
  value,
  set,
  choices,
}: {
  label: string;
  value: readonly T[];
  set: (value: T[]) => void;
  choices: readonly (readonly [T, string])[];
}) {
  const id = useId();
  return (
    <fieldset className="my-2">
      <legend className="fs-6 fw-bold">{label}</legend>
      <div className="d-flex flex-wrap gap-3">
        {choices.map(([key, words]) => (
          <Form.Check
            key={key}
            id={`${id}-${key}`}
            type="checkbox"
            label={words}
            checked={value.includes(key)}
            onChange={(event) => set(event.target.checked ? [...value, key] : value.filter((each) => each !== key))}
          />
        ))}
      </div>
    </fieldset>
  );
}

/** A sheet of the shop with its heading, and a button to add to it. */
export function ShopSection({
  title,
  add,
  onAdd,
  children,
}: {
  title: string;
  add?: string;
  onAdd?: () => void;
  children: ReactNode;
}) {
  const id = useId();
  return (
    <section className="sheet" aria-labelledby={id}>
      <div className="d-flex justify-content-between align-items-start gap-3">
        <h2 id={id}>{title}</h2>
        {add !== undefined && (
          <Button variant="quiet" onClick={onAdd}>
            {add}
          </Button>
        )}
      </div>
      {children}
    </section>
  );
}

/** A line of a list with its buttons: what each does, and to what. */
export function ShopRow({
  children,
  name,
  acts,
}: {
  children: ReactNode;
  name: string;
  acts: readonly (readonly [string, () => void])[];
}) {
  return (
    <li className="mb-1">
      {children}{' '}
      {acts.map(([words, act]) => (
        <Button key={words} variant="quiet" className="me-1" aria-label={`${words}: ${name}`} onClick={act}>
          {words}
        </Button>
      ))}
    </li>
  );
}

/** Figures are typed anew each time: nothing that was typed before helps. */
export const figureField = { inputMode: 'decimal', autoComplete: 'off' } as const;

/** What is wrong with one of the fields above it; a line that is always there, so that it is heard when it speaks. */
export function FieldProblem({ id, words }: { id: string; words: string | undefined }) {
  return (
    <p id={id} className="text-danger mb-0" role="alert">
      {words ?? ''}
    </p>
  );
}

/** What was wrong, said at once. */
export function Problem({ problem }: { problem: string | null }) {
  if (problem === null) return null;
  return (
    <p role="alert" className="say fault mt-2 mb-0">
      {problem}
    </p>
  );
}
