'use client';

import {
  foldEntries,
  judgeJob,
  jobPlan,
  knowTypes,
  misfits,
  planBasis,
  namesToRead,
  receivedSoon,
  type Entry,
  type EntryBody,
  type EntryKind,
  type InstrumentType,
  type JobJudgement,
  type JobPlan,
  type JobState,
  type LearnedTimes,
  type NewEntry,
  type Problem,
  type ShopState,
} from '@holotonos/core';
import {
  createContext,
  startTransition,
  useCallback,
  useContext,
  useEffect,
  useMemo,
  useRef,
  useState,
  type ReactNode,
} from 'react';
import { v4 as newId } from 'uuid';
import { useBench } from '@/frame/BenchContext';
import { keepSoon } from '@/frame/keeper';
import { fetched } from '@/live/fetched';
import { useLive, useServerAnswers, type ServerAnswers } from '@/live/live';
import { newer } from '@/shop/newer';
import { shopNow } from '@/shop/shopNow';
import { formProblems, jobFormsSoon } from './jobForms';
import { unnamed } from './unnamed';
import { pagesOf } from './jobPages';
import type { Aside } from '@/outbox/entryQueue';
import { queueOf } from '@/outbox/queues';
import { keepSeen, seenAfter } from '@/outbox/seen';
import { useQueue } from '@/outbox/useQueue';
import { isPractice } from './practiceTicket';
import { foldOn } from './sent';
import { useSolverAnswers } from './solverAnswers';

export interface Refusal {
  entry: NewEntry;
  problems: Problem[];
}

/** A job as its pages have it. */
export interface Job {
  ticket: string;
  type: InstrumentType;
  names: ReadonlyMap<string, string>;
  /** what is true now, with entries still on their way counted in */
  state: JobState;
  judgement: JobJudgement;
  plan: JobPlan;
  now: string;
  /** when the server made this page, and whether it answers since */
  madeAt: string;
  answers: ServerAnswers;
  /** the gauges, sizes, rules and sets of limits of the shop, as far as this page has heard */
  shop: ShopState;
  /** entries the server has not acknowledged */
  waiting: number;
  reachable: boolean;
  /** what waits, waits for somebody to say who is there */
  asksWho: boolean;
  refusals: Refusal[];
  dismissRefusals: () => void;
  /** entries the server will not take as they are */
  aside: readonly Aside[];
  /** sends one of them again, changed if given */
  sendAgain: (id: string, changed?: NewEntry) => void;
  /** gives one of them up */
  letGo: (id: string) => void;
  write: Write;
}

/**
 * Writes an entry: on the screen at once, kept until acknowledged. False, and said why, when it was not well-formed.
 *
 * @param id its own, where another entry is to name it
 */
export type Write = <K extends EntryKind>(kind: K, body: EntryBody<K>, id?: string) => boolean;

/** Given by `JobProvider`, and by whatever keeps something like a job that is none, such as a practice piece. */
export const JobContext = createContext<Job | null>(null);

export function useJob(): Job {
  const job = useContext(JobContext);
  if (!job) throw new Error('useJob is called outside JobProvider');
  return job;
}

/** How often the page looks at the clock, for what cures until when. */
const clockMs = 30_000;

/** An entry as it is written now, and what is wrong with it by itself or in this job; any body will do, it is judged here. */
export function checkedEntry(
  state: JobState,
  { id, kind, body, author }: { id: string; kind: EntryKind; body: unknown; author: string },
): Refusal {
  const benchTime = new Date().toISOString();
  const entry = { id, kind, body, author: author || unnamed, benchTime } as unknown as NewEntry;
  const problems = formProblems(entry);
  return { entry, problems: problems.length > 0 ? problems : misfits(state, entry) };
}

/** What was refused lately, with one more. */
export const withRefusal = (list: readonly Refusal[], refusal: Refusal): Refusal[] => [...list, refusal].slice(-20);

export function JobProvider({
  ticket,
  entries,
  types,
  shop: firstShop,
  learned,
  now: firstNow,
  children,
}: {
  ticket: string;
  entries: Entry[];
  /** what the entries name and do not bring along */
  types: readonly InstrumentType[];
  shop: ShopState;
  /** what the shop's clock says about the table's times */
  learned: LearnedTimes;
  now: string;
  children: ReactNode;
}) {
  const { author, who } = useBench();
  const [acknowledged, setAcknowledged] = useState(() => {
    knowTypes(types);
    return foldOn(entries);
  });
  const [refusals, setRefusals] = useState<Refusal[]>([]);
  const [now, setNow] = useState(firstNow);
  const take = useCallback((more: Entry[]) => setAcknowledged((state) => foldEntries(state, more)), []);

  const { queue, queued } = useQueue(ticket, queueOf);
  const { waiting: outbox, reachable, asksWho = false, aside } = queued;
  useEffect(() => queue?.onTaken((entry) => take([entry])), [queue, take]);
  // A page that was kept in this browser lacks what was written after it was made. Where the server answers it is asked
  // instead: what was seen of another database of the same name is nothing to it.
  const server = useServerAnswers();
  useEffect(() => {
    if (server !== 'never' && !isPractice(ticket)) return;
    void seenAfter(ticket, entries.at(-1)?.seq ?? 0).then(
      (seen) => seen.length > 0 && startTransition(() => take(seen)),
    );
  }, [server, ticket, entries, take]);
  useEffect(() => (isPractice(ticket) ? undefined : keepSoon(pagesOf(ticket))), [ticket]);
  useEffect(jobFormsSoon, []);

  const state = useMemo(() => {
    const fresh = outbox.filter(({ id }) => !acknowledged.byId.has(id));
    return foldEntries(acknowledged, receivedSoon(fresh, acknowledged.seq));
  }, [acknowledged, outbox]);

  // Other devices: a nudge comes over the wire, the entries are fetched.
  const lastSeq = useRef(acknowledged.seq);
  useEffect(() => {
    lastSeq.current = acknowledged.seq;
  }, [acknowledged]);
  const fetchNew = useCallback(async () => {
    if (isPractice(ticket)) return;
    const base = `/api/v1/jobs/${encodeURIComponent(ticket)}`;
    for (let after = lastSeq.current, more = true; more;) {
      // An answer that breaks off is none: the next announcement brings what is in it.
      const answer = await fetched<{ entries: Entry[]; more: boolean }>(`${base}/entries?after=${after}`);
      if (!answer) return;
      // What others write may come while parts of the page are still being taken over; as anything but a transition it
      // would have them drawn a second time, and whoever had put the focus there would lose it.
      startTransition(() => take(answer.entries));
      void keepSeen(ticket, answer.entries);
      after = answer.entries.at(-1)?.seq ?? after;
      more = answer.more;
    }
  }, [ticket, take]);
  const [shop, setShop] = useState(firstShop);
  useLive((live) => {
    // What the shop changes while a job is open counts in it at once: its gauges, sizes and rules. Before the stream was
    // open something may have been told that nobody heard.
    if (live.event === 'shop' || live.event === 'stock' || live.event === 'ready')
      void shopNow().then((known) => known && startTransition(() => setShop((before) => newer(before, known))));
    if (live.event === 'ready' || (live.event === 'entry' && live.data.ticket === ticket)) void fetchNew();
  });

  useEffect(() => {
    const timer = setInterval(() => setNow(new Date().toISOString()), clockMs);
    return () => clearInterval(timer);
  }, []);

  const type = state.instrument;
  if (!type) throw new Error(`Ticket ${ticket} names an instrument type that is not known here.`);
  const answers = useSolverAnswers();
  const judgement = useMemo(() => judgeJob(state, type, answers, shop.sizes), [state, type, answers, shop.sizes]);
  const person = author.trim();
  const plan = useMemo(
    () => jobPlan(state, type, judgement, now, { ...planBasis(shop, learned), person }),
    [state, type, judgement, now, shop, learned, person],
  );
  const names = useMemo(() => namesToRead(type), [type]);

  const write = useCallback(
    // Callers see the body their kind asks for; in here any body will do, for the schema judges it.
    (kind: EntryKind, body: unknown, id: string = newId()): boolean => {
      const { entry, problems } = checkedEntry(state, { id, kind, body, author: who() });
      if (problems.length > 0) {
        setRefusals((list) => withRefusal(list, { entry, problems }));
        return false;
      }
      queue?.add(entry);
      setNow(new Date().toISOString());
      return true;
    },
    [who, state, queue],
  ) as Write;
  const dismissRefusals = useCallback(() => setRefusals([]), []);
  const sendAgain = useCallback((id: string, changed?: NewEntry) => void queue?.again(id, changed), [queue]);
  const letGo = useCallback((id: string) => void queue?.letGo(id), [queue]);

  const value = useMemo(
    () => ({
      ticket,
      type,
      names,
      state,
      judgement,
      plan,
      now,
      madeAt: firstNow,
      answers: server,
      shop,
      waiting: outbox.length,
      reachable,
      asksWho,
      refusals,
      dismissRefusals,
      aside,
      sendAgain,
      letGo,
      write,
    }),
    [
      ticket,
      type,
      names,
      state,
      judgement,
      plan,
      now,
      firstNow,
      server,
      shop,
      outbox.length,
      reachable,
      asksWho,
      refusals,
      dismissRefusals,
      aside,
      sendAgain,
      letGo,
      write,
    ],
  );
  return <JobContext.Provider value={value}>{children}</JobContext.Provider>;
}
