import { jest } from '@jest/globals';
import {
  entryProblems,
  foldEntries,
  foldJob,
  foldShop,
  judgeJob,
  misfits,
  removableNames,
  type Entry,
  type EntryBody,
  type EntryKind,
  type JobState,
  type ShopState,
} from '@holotonos/core';
import { randomUUID } from 'node:crypto';

const when = '2026-11-23T09:00:00.000Z';

/**
 * A job as the hooks of a page see it: what they write is checked and folded in, as the real context does, and everything
 * written is kept in order.
 */
export function jobDouble({ shop = foldShop([]), instrument = 'alto-saxophone' } = {}) {
  let state: JobState;
  const written: { kind: EntryKind; body: unknown }[] = [];
  const entryOf = (kind: EntryKind, body: unknown, seq: number) =>
    ({ id: randomUUID(), kind, body, author: 'Juno Tam', benchTime: when, receivedAt: when, seq }) as Entry;
  const intake = {
    ticket: 'T-1',
    owner: 'o',
    instrumentType: instrument,
    family: instrument === 'alto-saxophone' ? 'saxophone' : instrument,
    practice: 'stage',
    scope: 'repair',
    unit: 'mm',
  };
  state = foldJob([entryOf('intake', intake, 1)]);
  const double = {
    ticket: 'T-1',
    written,
    get state() {
      return state;
    },
    get type() {
      if (!state.instrument) throw new Error('the intake names an instrument');
      return state.instrument;
    },
    get judgement() {
      return judgeJob(double.state, double.type);
    },
    get names() {
      return removableNames(double.type);
    },
    shop: shop as ShopState,
    /** refuses everything from now on, as a job that is signed off does */
    closed: false,
    write: <K extends EntryKind>(kind: K, body: EntryBody<K>, id: string = randomUUID()): boolean => {
      const entry = { ...entryOf(kind, body, state.seq + 1), id } as Entry;
      if (double.closed || entryProblems(entry, 'stored').length > 0 || misfits(state, entry).length > 0) return false;
      written.push({ kind, body });
      state = foldEntries(state, [entry]);
      return true;
    },
  };
  return double;
}
export type JobDouble = ReturnType<typeof jobDouble>;

/** Lets promises that are on their way arrive. */
export const settle = () => new Promise((done) => setTimeout(done, 0));

/** A fetch that answers what it is told and keeps what it was asked. */
export function fetchDouble(answer: (url: string, init?: RequestInit) => Response | Promise<Response>) {
  const asked: { url: string; init?: RequestInit }[] = [];
  const double = jest.fn((url: string | URL | Request, init?: RequestInit) => {
    asked.push({ url: String(url), ...(init && { init }) });
    return Promise.resolve(answer(String(url), init));
  });
  return { asked, double: double as unknown as typeof fetch };
}

/** An answer of the server, as far as a page looks at it; a made-up browser has no Response of its own. */
export const answered = (status = 200, body: object = {}) =>
  ({ ok: status < 300, status, json: () => Promise.resolve(body) }) as unknown as Response;
