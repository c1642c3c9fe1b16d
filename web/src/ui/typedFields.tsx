'use client';

import { useId, type ComponentProps } from 'react';
import { useController, useWatch, type Control, type FieldPathByValue, type FieldValues } from 'react-hook-form';
import { Form } from './bootstrap';
import { FormEnd } from './FormEnd';
import { ChoiceField, TextField, TickField } from './fields';

/** A field of a `useTypedForm`, by its name there. */
interface Of<Typed extends FieldValues, Value> {
  control: Control<Typed>;
  name: FieldPathByValue<Typed, Value>;
}

/**
 * A line of text.
 *
 * @param tidy how it is kept as it is typed, such as in capitals
 */
export function TypedText<Typed extends FieldValues>({
  control,
  name,
  wrongBy,
  tidy = (typed) => typed,
  ...more
}: Of<Typed, string> &
  Omit<ComponentProps<typeof TextField>, 'value' | 'set' | 'isInvalid'> & { tidy?: (typed: string) => string }) {
  const {
    field: { value, onChange, ref },
    fieldState: { invalid },
  } = useController({ control, name });
  return (
    <TextField
      {...more}
      ref={ref}
      value={value}
      set={(typed) => onChange(tidy(typed))}
      isInvalid={invalid}
      wrongBy={invalid ? wrongBy : undefined}
    />
  );
}

/** One of a list. */
export function TypedChoice<Typed extends FieldValues, Key extends string>({
  control,
  name,
  label,
  choices,
}: Of<Typed, Key> & { label: string; choices: readonly (readonly [Key, string])[] }) {
  const { field } = useController({ control, name });
  return <ChoiceField label={label} name={name} value={field.value} set={field.onChange} choices={choices} />;
}

/** Any of a list. */
export function TypedTicks<Typed extends FieldValues, Key extends string>({
  control,
  name,
  label,
  choices,
}: Of<Typed, Key[]> & { label: string; choices: readonly (readonly [Key, string])[] }) {
  const { field } = useController({ control, name });
  return <TickField label={label} value={field.value} set={field.onChange} choices={choices} />;
}

/** Yes or no. */
export function TypedCheck<Typed extends FieldValues>({
  control,
  name,
  label,
  className,
}: Of<Typed, boolean> & { label: string; className?: string }) {
  const id = useId();
  const { field } = useController({ control, name });
  return (
    <Form.Check
      id={`${id}-${name}`}
      type="checkbox"
      label={label}
      checked={field.value}
      onChange={(event) => field.onChange(event.target.checked)}
      {...(className !== undefined && { className })}
    />
  );
}

/** The end of a form that wants some of its fields filled before it can be sent. */
export function TypedEnd<Typed extends FieldValues>({
  control,
  needs,
  ...end
}: { control: Control<Typed>; needs: readonly FieldPathByValue<Typed, string>[] } & Omit<
  ComponentProps<typeof FormEnd>,
  'disabled'
>) {
  const filled = useWatch({ control, name: [...needs] });
  return <FormEnd {...end} disabled={filled.some((text) => String(text).trim() === '')} />;
}
