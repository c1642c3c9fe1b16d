'use client';

import type { EntryKind } from '@holotonos/core';
import { jobForms } from '@/job/jobForms';
import type { FieldErrors, FieldValues, Resolver } from 'react-hook-form';

/** Fields left empty are left out: an optional text is absent, not empty. */
export const withoutBlanks = <T extends object>(values: T): Partial<T> =>
  Object.fromEntries(Object.entries(values).filter(([, value]) => value !== '' && value !== undefined)) as Partial<T>;

/** A React-Hook-Form resolver over the body of an entry: the same check the server makes. */
export function bodyResolver<T extends FieldValues>(kind: EntryKind, words: Record<string, string>): Resolver<T> {
  return async (values) => {
    const tidy = withoutBlanks(values);
    const forms = await jobForms();
    const problems = forms?.bodyProblems(kind, tidy) ?? [];
    if (problems.length === 0) return { values: tidy as T, errors: {} };
    const errors: Record<string, { type: string; message: string }> = {};
    for (const { path, message } of problems) {
      const field = path.split('/')[2] ?? 'root';
      errors[field] ??= { type: 'schema', message: words[field] ?? `This ${message}` };
    }
    return { values: {}, errors: errors as FieldErrors<T> };
  };
}
