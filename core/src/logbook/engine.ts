import type { Problem } from '../solvers/contract';
import type { Phrase } from '../units';
import { draftOf } from './draft';
import { says, type AnyEntry, type Draft, type Kind, type LogState, type NameOf } from './kind';

/** What makes a set of kinds a logbook. Their forms are held by `formsOf`, which weighs more than all of the story. */
export interface Rules<State> {
  /** by name; `strike` and `unreadable` among them */
  kinds: Readonly<Record<string, Kind<string, never, State>>>;
  empty: State;
  /** what speaks against an entry of any kind, given what was written before */
  admits?: (state: State, kind: string) => Problem[];
}

/** A logbook as it is read from its beginning, one entry after the other. */
export interface LogbookReader<State, E> {
  /** enough of the state before the next entry for `misfits`; written on, so not to be kept */
  state: () => State;
  add: (entry: E) => void;
  /** entries folded again because of strikes, and of what cannot be read: what the reading has cost beyond its length */
  refolded: () => number;
}

export interface Logbook<State, New, E> {
  /** Problems with a well-formed entry in this logbook: what its form cannot show. */
  misfits: (state: State, entry: New) => Problem[];
  /**
   * The state after more entries: pure, deterministic, and the same however the entries are cut into batches.
   *
   * Entries count in the order of their sequence numbers, whatever order they are handed over in; an entry met before is
   * passed over. Striking something already folded in means folding again without it: O(all entries) once a batch.
   */
  fold: (state: State, more: readonly E[]) => State;
  /**
   * Reads a logbook entry by entry and in place: linear, where folding a state anew for each entry is quadratic. Only a
   * strike of what later entries are checked against, or an entry that cannot be taken in, folds all again.
   */
  reader: () => LogbookReader<State, E>;
  /** What an entry says, in a line. */
  words: (entry: E, names: ReadonlyMap<string, string>) => Phrase;
}

/** An entry that could not be taken in: its place in the list it came in, and why. */
interface WentOff {
  at: number;
  problem: string;
}

/** Makes a logbook of a set of kinds. It knows what an entry is, not what it is about. */
export function logbookOf<
  State extends LogState<E>,
  New extends Omit<AnyEntry, 'seq' | 'receivedAt'>,
  E extends AnyEntry,
>(rules: Rules<State>): Logbook<State, New, E> {
  /** What the engine itself writes of a draft. */
  type Open = Draft<LogState<E>>;
  const { empty } = rules;
  const kindOf = (name: string) =>
    (Object.hasOwn(rules.kinds, name) ? rules.kinds[name] : undefined) as Kind<string, unknown, State> | undefined;

  const strikeMisfits = (state: State, id: string): Problem[] => {
    const target = state.byId.get(id);
    if (!target) return says('entry', 'is not an entry of this logbook');
    if (target.kind === 'strike') return says('entry', 'is itself a strike: make the entry again instead');
    const stands = kindOf(target.kind)?.stands;
    return stands === undefined ? [] : says('entry', stands);
  };
  const misfits = (state: State, { kind, body }: New): Problem[] => {
    if (kind === 'unreadable') return [];
    const barred = rules.admits?.(state, kind) ?? [];
    if (barred.length > 0) return barred;
    if (kind === 'strike') return strikeMisfits(state, (body as { entry: string }).entry);
    return kindOf(kind)?.misfits?.(state, body) ?? [];
  };

  /**
   * Notes what is written, and which of it is struck, before any of it is taken in. The first strike counts; a strike itself
   * cannot be struck.
   */
  const noteDown = (draft: Open, entries: readonly E[]) => {
    const { entries: all, byId, struck } = draft;
    for (const entry of entries) {
      all.push(entry);
      draft.seq = Math.max(draft.seq, entry.seq);
      byId.set(entry.id, entry);
      if (entry.kind === 'strike') struck.delete(entry.id);
    }
    for (const entry of entries) {
      if (entry.kind !== 'strike') continue;
      const target = (entry.body as { entry: string }).entry;
      if (byId.get(target)?.kind !== 'strike' && !struck.has(target)) struck.set(target, entry.id);
    }
  };
  /** Takes entries in, in their order, until one goes off: then what it was, and the draft is half written. */
  const takeIn = (draft: Open, entries: readonly E[], from = 0, to = entries.length): WentOff | null => {
    const { struck } = draft;
    for (let at = from; at < to; at += 1) {
      const entry = entries[at] as E;
      if (struck.has(entry.id)) continue;
      try {
        kindOf(entry.kind)?.fold(draft as unknown as Draft<State>, entry);
      } catch (error) {
        return { at, problem: `${entry.kind}: ${(error as Error).message}` };
      }
    }
    return null;
  };
  /**
   * One entry that cannot be taken in is set down as such, and the others go on. It leaves nothing of itself behind: what
   * came before it since the last such one is taken in again.
   */
  const foldOnto = (before: State, entries: readonly E[]): State => {
    let sound = before;
    for (let from = 0; ;) {
      const open = () => {
        const { draft, close } = draftOf(sound);
        if (from === 0) noteDown(draft as unknown as Open, entries);
        return { draft: draft as unknown as Open, close };
      };
      const tried = open();
      const wentOff = takeIn(tried.draft, entries, from);
      if (!wentOff) return tried.close();
      const { draft, close } = open();
      takeIn(draft, entries, from, wentOff.at);
      draft.unread.set((entries[wentOff.at] as E).id, wentOff.problem);
      sound = close();
      from = wentOff.at + 1;
    }
  };
  const bySeq = (a: E, b: E) => a.seq - b.seq;

  const fold = (state: State, more: readonly E[]): State => {
    const seen = new Set<string>();
    const fresh = more
      .filter(({ id }) => {
        const isNew = !state.byId.has(id) && !seen.has(id);
        seen.add(id);
        return isNew;
      })
      .sort(bySeq);
    const [first] = fresh;
    if (!first) return state;
    const strikesThePast = fresh.some((entry) => {
      if (entry.kind !== 'strike') return false;
      const target = state.byId.get((entry.body as { entry: string }).entry);
      return target !== undefined && target.kind !== 'strike' && !state.struck.has(target.id);
    });
    if (first.seq > state.seq && !strikesThePast) return foldOnto(state, fresh);
    return foldOnto(empty, [...state.entries, ...fresh].sort(bySeq));
  };

  return {
    misfits,
    fold,
    reader: () => {
      let { draft } = draftOf(empty);
      let again = 0;
      return {
        state: () => draft as unknown as State,
        refolded: () => again,
        add: (entry) => {
          const open = draft as unknown as Open;
          const target = entry.kind === 'strike' ? open.byId.get((entry.body as { entry: string }).entry) : undefined;
          const undoes = target !== undefined && kindOf(target.kind)?.bears !== false && !open.struck.has(target.id);
          noteDown(open, [entry]);
          if (!undoes && !takeIn(open, [entry])) return;
          again += open.entries.length - 1;
          draft = draftOf(foldOnto(empty, open.entries)).draft;
        },
      };
    },
    words: ({ kind, body }, names) => {
      const name: NameOf = (part) => names.get(part) ?? part;
      const said = kindOf(kind)?.words(body, name) ?? kind;
      return typeof said === 'string' ? [said] : said;
    },
  };
}
