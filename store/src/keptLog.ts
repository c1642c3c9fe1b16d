import { isDeepStrictEqual } from 'node:util';
import type { Problem } from '@holotonos/core';
import { LRUCache } from 'lru-cache';
import type { Database } from './database';
import { lookAtStamp, onOtherDatabase, seeStamp } from './guard';

export interface AnyNew {
  id: string;
  kind: string;
  body: unknown;
  author: string;
  benchTime: string;
}
export type AnyKept = AnyNew & { seq: number; receivedAt: string };

/** What a state knows of its own entries. */
export interface Folded<Kept> {
  seq: number;
  byId: ReadonlyMap<string, Kept>;
}

/** A logbook in the database: where its rows are, and the rules of what is written into it. */
export interface KeptLog<State extends Folded<Kept>, New extends AnyNew, Kept extends AnyKept> {
  /** what this process remembers it by, and what it is called in the log of faults */
  name: string;
  rules: {
    empty: State;
    misfits: (state: State, entry: New) => Problem[];
    fold: (state: State, more: readonly Kept[]) => State;
  };
  /** entries after a sequence number, in order */
  after: (db: Database, seq: number) => Promise<Kept[]>;
  /** holds the end of the logbook until the transaction ends; gives the stamp of the database */
  lock: (tx: Database) => Promise<string>;
  insert: (tx: Database, seq: number, entry: New) => Promise<Kept>;
  /** what else is written with an entry, given the state that counts it in */
  written?: (tx: Database, state: State, at: string) => Promise<void>;
}

export type AppendedTo<Kept> =
  /** in the logbook, committed; `known` when it had been there before */
  | { status: 'stored'; entry: Kept; known: boolean }
  /** the id is taken by an entry that says something else */
  | { status: 'conflict' }
  | { status: 'refused'; problems: Problem[] };

/** States this process has folded already: only a shortcut, brought up to date from the database at every use. */
const folded = new LRUCache<string, { seq: number }>({ max: 200 });
onOtherDatabase(() => folded.clear());

/** What is kept of a logbook does not fit what stands in the database. */
function forget(name: string, why: string): void {
  console.error(`The logbook of ${name} ${why}: it is read again from its beginning.`);
  folded.delete(name);
}

/** The state of a logbook as the database has it now. Reads only what came since this process last looked. */
export async function stateOf<State extends Folded<Kept>, New extends AnyNew, Kept extends AnyKept>(
  db: Database,
  log: KeptLog<State, New, Kept>,
): Promise<State> {
  await lookAtStamp(db);
  const { name, rules } = log;
  let before = (folded.get(name) as State | undefined) ?? rules.empty;
  // The last entry that is remembered is asked for again: if it does not stand there, what is remembered is of no use.
  let since = await log.after(db, Math.max(0, before.seq - 1));
  if (before.seq > 0) {
    const [last, next] = since;
    const stands = last?.seq === before.seq && before.byId.has(last.id);
    if (stands && (next?.seq ?? before.seq + 1) === before.seq + 1) since = since.slice(1);
    else {
      forget(name, stands ? `goes on with ${next?.seq} after ${before.seq}` : `has no entry ${before.seq} any more`);
      before = rules.empty;
      since = await log.after(db, 0);
    }
  }
  const state = rules.fold(before, since);
  folded.set(name, state);
  return state;
}

/**
 * Locks a logbook until the end of the transaction, so that its writers queue up, and gives its state as it stands in the
 * database then.
 */
export async function lockedState<State extends Folded<Kept>, New extends AnyNew, Kept extends AnyKept>(
  tx: Database,
  log: KeptLog<State, New, Kept>,
): Promise<State> {
  seeStamp(await log.lock(tx));
  return stateOf(tx, log);
}

/** What a new entry says of one that stands under its id already. */
export const answerKnown = <Kept extends AnyKept>(entry: AnyNew, known: Kept): AppendedTo<Kept> =>
  entry.kind === known.kind &&
  entry.author === known.author &&
  Date.parse(entry.benchTime) === Date.parse(known.benchTime) &&
  isDeepStrictEqual(entry.body, known.body)
    ? { status: 'stored', entry: known, known: true }
    : { status: 'conflict' };

/**
 * Writes one well-formed entry to the end of a logbook. Resolves only after commit. Sending the same entry again, any number of times
 * and from anywhere, changes nothing and answers the same.
 */
export async function appendTo<State extends Folded<Kept>, New extends AnyNew, Kept extends AnyKept>(
  db: Database,
  log: KeptLog<State, New, Kept>,
  entry: New,
): Promise<AppendedTo<Kept>> {
  return db.transaction(async (tx): Promise<AppendedTo<Kept>> => {
    // Under the lock seq has no gaps, and checks see what came before.
    const state = await lockedState(tx, log);
    const known = state.byId.get(entry.id);
    if (known) return answerKnown(entry, known);
    const unfit = log.rules.misfits(state, entry);
    if (unfit.length > 0) return { status: 'refused', problems: unfit };
    const kept = await log.insert(tx, state.seq + 1, entry);
    await log.written?.(tx, log.rules.fold(state, [kept]), kept.receivedAt);
    return { status: 'stored', entry: kept, known: false };
  });
}
