'use client';

import type { Entry, NewEntry } from '@holotonos/core';
import { isPractice } from '@/job/practiceTicket';
import { EntryQueue, type AnyNew, type QueueState, type QueueWays, type Sent } from './entryQueue';
import { keptInBrowser, keptLogs } from './kept';
import { post } from './posted';
import { keepSeen, seenAfter } from './seen';

/** The logbooks that belong to no job, by where they are written to: an address no ticket can have. */
export const ownLogs = { shop: '/api/v1/shop', stock: '/api/v1/stock' } as const;
export type OwnLogAddress = (typeof ownLogs)[keyof typeof ownLogs];
const isOwn = (log: string): log is OwnLogAddress => Object.values<string>(ownLogs).includes(log);

/** A queue, as far as it is the same whatever it carries. */
export interface AnyQueue {
  readonly state: QueueState<AnyNew>;
  again(id: string, changed?: AnyNew): Promise<void>;
  letGo(id: string): Promise<void>;
}

const queues = new Map<string, AnyQueue>();
const listeners = new Set<() => void>();
const pause = (ms: number) => new Promise<void>((resolve) => setTimeout(resolve, ms));

function opened<New extends AnyNew, Taken>(log: string, send: QueueWays<New, Taken>['send']): EntryQueue<New, Taken> {
  const known = queues.get(log);
  // A logbook has one queue, made with what it carries.
  if (known) return known as EntryQueue<New, Taken>;
  const queue = new EntryQueue<New, Taken>(log, {
    // What comes back out of the browser's store is what this queue put in.
    ...(keptInBrowser as unknown as Omit<QueueWays<New>, 'send' | 'pause'>),
    send,
    pause,
  });
  queues.set(log, queue);
  queue.subscribe(() => listeners.forEach((listener) => listener()));
  return queue;
}

let lastPractised = 1;
/** Gives what was written on the practice ticket back as taken: it goes nowhere, and is kept among what was seen. */
async function takenHere(ticket: string, entry: NewEntry): Promise<Sent> {
  const seen = await seenAfter(ticket, 1);
  const seq = (lastPractised = Math.max(lastPractised, seen.at(-1)?.seq ?? 1) + 1);
  const taken = { ...entry, seq, receivedAt: entry.benchTime };
  await keepSeen(ticket, [taken]);
  return { status: 'acknowledged', taken };
}

/** What was taken is kept for a page that was kept in this browser before it. */
async function toServer(ticket: string, entry: NewEntry): Promise<Sent> {
  const address = `/api/v1/jobs/${encodeURIComponent(ticket)}/entries`;
  const sent = await post(address, entry, (answer) => (answer as { entry?: Entry }).entry);
  if (sent.status === 'acknowledged') void keepSeen(ticket, [sent.taken]);
  return sent;
}

/** The one queue of a ticket in this tab, whichever page writes into it. */
export const queueOf = (ticket: string): EntryQueue => opened(ticket, isPractice(ticket) ? takenHere : toServer);

/** Sends an entry by the queue of its ticket; what was wrong with it, or null once it is written or waits to be. */
export async function written(ticket: string, entry: NewEntry): Promise<string | null> {
  const queue = queueOf(ticket);
  queue.add(entry);
  const problems = await queue.outcome(entry.id);
  return problems && problems.map(({ message }) => message).join('; ');
}

/** The one queue of a logbook that belongs to no job. Its server answers with what the logbook then says. */
export const queueOfOwn = <State>(log: OwnLogAddress): EntryQueue<AnyNew, State> =>
  opened<AnyNew, State>(log, (address, entry) => post(address, entry, (answer) => answer as State));

/** Opens the queue of every logbook an earlier page left something for: what waits is sent, whichever page is open. */
export async function sendLeft(): Promise<void> {
  for (const log of await keptLogs())
    if (isOwn(log)) queueOfOwn(log);
    else queueOf(log);
}

/** Is told whenever a queue of this tab changes; gives what ends that. */
export function listenQueues(listener: () => void): () => void {
  listeners.add(listener);
  return () => void listeners.delete(listener);
}

/** A logbook with something that is not in it yet. */
export interface Unsent {
  log: string;
  queue: AnyQueue;
  /** of the queue, when it was asked */
  state: QueueState<AnyNew>;
}

/** What waits because nobody answers, or was set aside: of all logbooks that have a queue in this tab. */
export const unsentNow = (): Unsent[] =>
  [...queues].flatMap(([log, queue]) => {
    const { state } = queue;
    const waits = state.waiting.length > 0 && !state.reachable;
    return waits || state.aside.length > 0 ? [{ log, queue, state }] : [];
  });
