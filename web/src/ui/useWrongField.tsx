'use client';

import { useId, useState, type ReactNode } from 'react';
import { FieldProblem } from './fields';

/** A field with what is wrong with it, in words. */
export interface WrongField {
  field: string;
  words: string;
}

/** What is wrong with one field of a form: said when it is sent, in a line under it, until it is sent again. */
export function useWrongField(): {
  /** to be put under the fields */
  line: ReactNode;
  /** id of the line where this field is wrong, for whoever hears the field instead of seeing it */
  wrongBy: (field: string) => string | undefined;
  say: (field: string, words: string) => void;
  sayNothing: () => void;
} {
  const id = useId();
  const [wrong, setWrong] = useState<WrongField | null>(null);
  return {
    line: <FieldProblem id={id} words={wrong?.words} />,
    wrongBy: (field) => (wrong?.field === field ? id : undefined),
    say: (field, words) => setWrong({ field, words }),
    sayNothing: () => setWrong(null),
  };
}
