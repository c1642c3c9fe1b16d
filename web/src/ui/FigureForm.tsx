'use client';

import { parseNumber, type LengthUnit, parseSize } from '@holotonos/core';
import { useId, useState, type FormEvent, type ReactNode } from 'react';
import { Button } from './bootstrap';
import { FieldProblem, figureField, TextField } from './fields';

/** What was typed, as a figure; or what is wrong with it, in words. */
export type ReadFigure = (text: string) => number | string;

/**
 * Reads a plain figure.
 *
 * @param fits which figures can be meant
 * @param otherwise said of everything else
 */
export const numberThat =
  (fits: (figure: number) => boolean, otherwise: string): ReadFigure =>
  (text) => {
    const figure = parseNumber(text);
    return figure !== null && fits(figure) ? figure : otherwise;
  };

/** Reads a size, mm. */
export const sizeIn =
  (unit: LengthUnit): ReadFigure =>
  (text) => {
    const parsed = parseSize(text, unit);
    return parsed.ok ? parsed.mm : parsed.problem;
  };

/** One figure with its button: what is wrong with it is said when it is sent, and it stays; taken, the field is empty again. */
export function FigureForm({
  label,
  action,
  name,
  placeholder,
  quiet = false,
  className = '',
  read,
  onTaken,
  children,
}: {
  label: string;
  action: string;
  /** of the form, where there are more of its kind */
  name?: string;
  placeholder?: string;
  quiet?: boolean;
  className?: string;
  read: ReadFigure;
  /** @returns whether it was taken */
  onTaken: (figure: number) => boolean;
  /** beside the button */
  children?: ReactNode;
}) {
  const id = useId();
  const [text, setText] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const submit = (event: FormEvent) => {
    event.preventDefault();
    const figure = read(text);
    if (typeof figure === 'string') return setProblem(figure);
    setProblem(null);
    if (onTaken(figure)) setText('');
  };
  return (
    <form className={`d-flex flex-wrap gap-2 align-items-end ${className}`} aria-label={name} onSubmit={submit}>
      <TextField
        label={label}
        className="short-figure"
        {...figureField}
        {...(placeholder !== undefined && { placeholder })}
        value={text}
        set={setText}
        wrongBy={problem === null ? undefined : `${id}-problem`}
      />
      <Button type="submit" {...(quiet && { variant: 'quiet' })}>
        {action}
      </Button>
      {children}
      <div className="w-100">
        <FieldProblem id={`${id}-problem`} words={problem ?? undefined} />
      </div>
    </form>
  );
}
