'use client';

import { doSteps, type Step } from '@holotonos/core';
import { useRef, useState } from 'react';
import { v4 as newId } from 'uuid';
import { useCautionsToday } from '@/job/cautionsToday';
import { useJob } from '@/job/JobContext';
import { heldWords } from '@/job/stepWords';

/** Steps of the plan done with one key: the one in hand, or all that are marked; the last ones can be taken back. */
export function useDoSteps(): {
  marked: ReadonlySet<string>;
  mark: (id: string) => void;
  /** writes them as done; what is held up stays, and is said */
  finish: (ids: ReadonlySet<string>) => void;
  takeBack: () => void;
  /** what the last act came to */
  said: string;
} {
  const { plan, now, write } = useJob();
  const { accepted } = useCautionsToday();
  const [marked, setMarked] = useState<ReadonlySet<string>>(new Set());
  const [said, setSaid] = useState('');
  /** entries of what was done here, the newest batch last */
  const batches = useRef<{ entry: string; title: string }[][]>([]);

  const mark = (id: string) =>
    setMarked((before) => {
      const after = new Set(before);
      if (!after.delete(id)) after.add(id);
      return after;
    });
  const finish = (ids: ReadonlySet<string>) => {
    const { done, held } = doSteps(plan.steps, ids, accepted, now);
    const written = done.flatMap((body) => {
      const entry = newId();
      return write('operation-done', body, entry) ? [{ entry, title: body.title }] : [];
    });
    if (written.length > 0) batches.current.push(written);
    setMarked(new Set(held.map(({ step }) => step.id).filter((id) => marked.has(id))));
    const [first] = written;
    const words = [
      first && (written.length === 1 ? `Done: ${first.title}.` : `${written.length} steps done.`),
      ...held.map(({ step, by }) => `Not done: ${step.title}. ${heldWords(by)}`),
    ];
    setSaid(words.filter(Boolean).join(' '));
  };
  const takeBack = () => {
    const batch = batches.current.pop();
    if (!batch) return setSaid('Nothing was done here that could be taken back.');
    for (const { entry } of [...batch].reverse()) write('strike', { entry, reason: 'taken back in the plan' });
    setSaid(`Taken back: ${batch.map(({ title }) => title).join(', ')}.`);
  };
  return { marked, mark, finish, takeBack, said };
}

/** The step before or after one in a list, held at its ends. */
export const besides = (steps: readonly Step[], id: string | undefined, by: 1 | -1): Step | undefined => {
  const at = steps.findIndex((step) => step.id === id);
  return steps[Math.min(steps.length - 1, Math.max(0, at + by))];
};
