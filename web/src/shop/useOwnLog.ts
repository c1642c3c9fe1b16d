'use client';

import type { Problem } from '@holotonos/core';
import { useRef, useState } from 'react';
import { v4 as newId } from 'uuid';
import { useBench } from '@/frame/BenchContext';
import { unnamed } from '@/job/unnamed';
import { useLive, type LiveEvent } from '@/live/live';
import { ownLogNow } from './ownLogNow';

/** A logbook that belongs to no job: of the shop, of its drawers. */
export interface OwnLog {
  address: string;
  /** what is told when somebody has written in it, wherever */
  event: LiveEvent['event'];
  /** other events after which what it says may be another */
  also?: readonly LiveEvent['event'][];
  /** what is wrong with an entry by its form: compiled forms weigh much, and come when they are asked for */
  problems: (entry: unknown) => Promise<Problem[]>;
}

const words = (problems: readonly Problem[]) =>
  problems.map(({ path, message }) => `${path.replace('/body/', '')} ${message}`.trim()).join('; ');

/**
 * Such a logbook as it is now, and a way to write into it. `write` resolves to null when it is written, else to what was
 * wrong: nothing typed is lost.
 */
export function useOwnLog<State>(first: State, { address, event: own, also = [], problems: problemsOf }: OwnLog) {
  const { who } = useBench();
  const [state, setState] = useState(first);
  /** Answers that were asked for before another was must not come after it. */
  const asked = useRef(0);
  const fetchAgain = async () => {
    const turn = (asked.current += 1);
    const known = await ownLogNow<State>(address);
    if (known && turn === asked.current) setState(known);
  };
  useLive(({ event }) => {
    if (event === own || also.includes(event)) void fetchAgain();
  });
  /** What was sent and not answered, by what it says: it may be written all the same. */
  const unanswered = useRef(new Map<string, object>());
  const write = async (kind: string, body: object): Promise<string | null> => {
    const author = who() || unnamed;
    const says = JSON.stringify([kind, body, author]);
    // Tried again, it is the same entry: the server knows it by its id, and what was taken from a drawer is taken once.
    const entry = unanswered.current.get(says) ?? {
      id: newId(),
      kind,
      body,
      author,
      benchTime: new Date().toISOString(),
    };
    try {
      const problems = await problemsOf(entry);
      if (problems.length > 0) return words(problems);
      unanswered.current.set(says, entry);
      const response = await fetch(address, {
        method: 'POST',
        headers: { 'Content-Type': 'application/json' },
        body: JSON.stringify(entry),
      });
      const answer = (await response.json()) as State & { message?: string; problems?: Problem[] };
      if (response.status < 500) unanswered.current.delete(says);
      if (!response.ok) return answer.problems ? words(answer.problems) : (answer.message ?? 'It was refused.');
      asked.current += 1;
      setState(answer);
      return null;
    } catch {
      return 'The server does not answer. Nothing typed is lost: try again in a moment.';
    }
  };
  return { state, write };
}
