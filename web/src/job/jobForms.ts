'use client';

import type { NewEntry, Problem } from '@holotonos/core';
import type * as Forms from '@holotonos/core/jobForms';

let forms: typeof Forms | null = null;

/**
 * The forms of all entries of a job. Compiled they weigh as much as a page: they come after it. Null where they do not
 * come: then the server’s check stands alone, and the next who asks asks for them again.
 */
export const jobForms = async (): Promise<typeof Forms | null> =>
  (forms ??= await import('@holotonos/core/jobForms').catch(() => null));

/** Asks for the forms once the page stands. */
export function jobFormsSoon(): () => void {
  const ask = () => void jobForms();
  if (document.readyState === 'complete') {
    ask();
    return () => undefined;
  }
  window.addEventListener('load', ask, { once: true });
  return () => window.removeEventListener('load', ask);
}

/** Problems with the form of an entry; none as long as the forms are on their way: the server looks at it in any case. */
export const formProblems = (entry: NewEntry): Problem[] => forms?.entryProblems(entry) ?? [];
