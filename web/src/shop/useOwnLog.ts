'use client';

import type { Problem } from '@holotonos/core';
import type { Phrase } from '@holotonos/core/units';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { v4 as newId } from 'uuid';
import { useBench } from '@/frame/BenchContext';
import { unnamed } from '@/job/unnamed';
import { fetched } from '@/live/fetched';
import { useLive, type LiveEvent } from '@/live/live';
import type { AnyNew } from '@/outbox/entryQueue';
import { queueOfOwn, type OwnLogAddress } from '@/outbox/queues';
import { useQueue } from '@/outbox/useQueue';
import { newer } from './newer';

/** What weighs much of such a logbook: it comes when it is asked for. */
export interface OwnLogParts<State> {
  /** what is wrong with an entry by its form */
  problems: (entry: unknown) => Problem[];
  /** what the logbook will say once entries that are on their way are in it */
  withWaiting: (state: State, waiting: readonly AnyNew[]) => State;
  /** what an entry says */
  words: (entry: AnyNew) => Phrase;
}

/** A logbook that belongs to no job: of the shop, of its drawers. */
export interface OwnLog<State> {
  address: OwnLogAddress;
  /** what is told when somebody has written in it, wherever */
  event: LiveEvent['event'];
  /** other events after which what it says may be another */
  also?: readonly LiveEvent['event'][];
  parts: () => Promise<OwnLogParts<State>>;
}

const words = (problems: readonly Problem[]) =>
  problems.map(({ path, message }) => `${path.replace('/body/', '')} ${message}`.trim()).join('; ');

/** Such a logbook on a page. */
export interface OwnLogOpen<State> {
  /** as it is now; what waits because nobody answers is counted in */
  state: State;
  /**
   * For a form: null once the entry is written, or waits in this browser because nobody answers; else what was wrong, and
   * the form has it still.
   */
  write: (kind: string, body: object) => Promise<string | null>;
  /** For a press: where it is not taken it is set aside, and shown at the head of the page. */
  put: (kind: string, body: object) => void;
}

/** Ways to write into such a logbook, for what does not show it. */
export function useOwnWrite<State>({
  address,
  parts: partsOf,
}: Pick<OwnLog<State>, 'address' | 'parts'>): Pick<OwnLogOpen<State>, 'write' | 'put'> {
  const { who } = useBench();
  const entryOf = (kind: string, body: object): AnyNew => ({
    id: newId(),
    kind,
    body,
    author: who() || unnamed,
    benchTime: new Date().toISOString(),
  });
  const write = async (kind: string, body: object): Promise<string | null> => {
    const entry = entryOf(kind, body);
    // Where the forms do not come the server's check stands alone.
    const wrong = (await partsOf().catch(() => null))?.problems(entry) ?? [];
    if (wrong.length > 0) return words(wrong);
    const queue = queueOfOwn<State>(address);
    queue.add(entry);
    const refused = await queue.outcome(entry.id);
    return refused && words(refused);
  };
  return { write, put: (kind, body) => queueOfOwn<State>(address).add(entryOf(kind, body)) };
}

/** Such a logbook as it is now, and ways to write into it. */
export function useOwnLog<State>(
  first: State,
  { address, event: own, also = [], parts: partsOf }: OwnLog<State>,
): OwnLogOpen<State> {
  /** what the server said last */
  const [said, setSaid] = useState(first);
  const [parts, setParts] = useState<OwnLogParts<State> | null>(null);
  const { queue, queued } = useQueue(address, queueOfOwn<State>);
  const { waiting, heldUp = false } = queued;

  /** Answers that were asked for before another was must not come after it. */
  const asked = useRef(0);
  /** News came while something of ours was under way: an answer would count that in, and so would we. */
  const missed = useRef(false);
  const isUnderWay = useCallback(() => (queue?.state.waiting.length ?? 0) > 0, [queue]);
  const fetchAgain = useCallback(async () => {
    if (isUnderWay()) return void (missed.current = true);
    const turn = (asked.current += 1);
    const known = await fetched<State>(address);
    if (!known || turn !== asked.current) return;
    if (isUnderWay()) missed.current = true;
    else setSaid((before) => newer(before, known));
  }, [address, isUnderWay]);
  useEffect(
    () =>
      queue?.onTaken((answer) => {
        asked.current += 1;
        setSaid(answer);
      }),
    [queue],
  );
  useEffect(() => {
    if (waiting.length > 0 || !missed.current) return;
    missed.current = false;
    void fetchAgain();
  }, [waiting, fetchAgain]);
  useLive(({ event }) => {
    // Before the stream was open, and while it was broken, something may have been told that nobody heard.
    if (event === 'ready' || event === own || also.includes(event)) void fetchAgain();
  });

  useEffect(() => {
    // Where they do not come now, they are asked for the next time that nobody answers.
    if (heldUp && !parts) void partsOf().then(setParts, () => undefined);
  }, [heldUp, parts, partsOf]);
  const state = useMemo(
    () => (parts && heldUp ? parts.withWaiting(said, waiting) : said),
    [parts, said, heldUp, waiting],
  );

  return { state, ...useOwnWrite({ address, parts: partsOf }) };
}
