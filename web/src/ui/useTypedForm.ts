'use client';

import {
  useForm,
  type Control,
  type DefaultValues,
  type FieldValues,
  type Path,
  type UseFormSetValue,
} from 'react-hook-form';
import type { FormEvent } from 'react';

/** What was wrong with what was typed, in words, at one field where it is that field’s; null where it was taken. */
export type Wrong<Typed extends FieldValues> = string | { at: Path<Typed>; words: string } | null;

export interface TypedForm<Typed extends FieldValues> {
  /** for the fields */
  control: Control<Typed>;
  /** for the form’s own submit */
  submit: (event: FormEvent) => void;
  /** what was wrong the last time, until it is sent again */
  problem: string | null;
  /** was it taken the last time it was sent? */
  taken: boolean;
  isSending: boolean;
}

/** The fields of a form that was taken. */
interface TypedValues<Typed extends FieldValues> {
  setValue: UseFormSetValue<Typed>;
}

/**
 * A form of the shop or the drawers: what is typed is kept as it was typed and is read when it is sent. Whoever takes it
 * checks it by the compiled form of its entry, as the server does; what is wrong is said, and nothing typed is lost.
 *
 * @param start what stands in the fields first
 * @param send reads what was typed and sends it
 * @param onTaken comes after what was taken: it closes the form, or empties it for the next
 */
export function useTypedForm<Typed extends FieldValues>(
  start: Typed,
  send: (typed: Typed) => Wrong<Typed> | Promise<Wrong<Typed>>,
  onTaken: (values: TypedValues<Typed>) => void | Promise<void> = () => undefined,
): TypedForm<Typed> {
  const { control, handleSubmit, setError, setValue, formState } = useForm<Typed>({
    defaultValues: start as DefaultValues<Typed>,
  });
  const { errors, isSubmitSuccessful, isSubmitting } = formState;
  const submit = handleSubmit(async (typed) => {
    const wrong = await send(typed);
    if (wrong === null) await onTaken({ setValue });
    else if (typeof wrong === 'string') setError('root', { message: wrong });
    else setError(wrong.at, { message: wrong.words }, { shouldFocus: true });
  });
  const [first] = Object.values(errors) as { message?: string }[];
  return {
    control,
    // A second press while the first is under way sends nothing twice.
    submit: (event) => {
      event.preventDefault();
      if (!isSubmitting) void submit(event);
    },
    problem: first?.message ?? null,
    taken: isSubmitSuccessful,
    isSending: isSubmitting,
  };
}
