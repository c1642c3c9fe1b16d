import type { JSONSchema } from 'json-schema-to-ts';
import type { Problem } from '../solvers/contract';
import type { Phrase } from '../units';

export interface Envelope {
  /** UUID made by whoever writes the entry, so that sending it again is harmless */
  id: string;
  author: string;
  /** when it happened at the bench, ISO 8601 */
  benchTime: string;
}

/** What the database adds: the order within the logbook, and when it arrived. */
export interface Receipt {
  seq: number;
  receivedAt: string;
}

/** An entry of one kind on its way to a logbook. */
export type Written<Name extends string, Body> = Envelope & { kind: Name; body: Body };
/** An entry of one kind in a logbook. */
export type Logged<Name extends string, Body> = Written<Name, Body> & Receipt;

/** Any entry of any logbook. */
export type AnyEntry = Logged<string, unknown>;

/** What every logbook knows of itself, whatever it is about. */
export interface LogState<E extends AnyEntry = AnyEntry> {
  /** highest sequence number folded in */
  seq: number;
  /** every entry, struck or not, in order */
  entries: readonly E[];
  byId: ReadonlyMap<string, E>;
  /** struck entry → the strike that did it */
  struck: ReadonlyMap<string, string>;
  /** entries that say nothing any more, with what is wrong with each; they can be struck */
  unread: ReadonlyMap<string, string>;
}

/** The same shape with its maps and lists open for writing while one batch is folded. */
export type Draft<State> = {
  -readonly [K in keyof State]: State[K] extends ReadonlyMap<infer Key, infer Value>
    ? Map<Key, Value>
    : State[K] extends readonly (infer Item)[]
      ? Item[]
      : State[K];
};

/** The name of a part as a reader knows it. */
export type NameOf = (part: string) => string;

/**
 * All there is to one kind of entry: its form, what speaks against it, what it makes true, how it reads. A logbook is a
 * set of these; it knows nothing else of what it is about.
 */
export interface Kind<Name extends string, Body, State> {
  /** the schema of the body */
  readonly body: JSONSchema;
  /** What is wrong with a body that fits its schema, by itself. Paths as of the entry, see `says`. */
  problems?(body: Body): Problem[];
  /** What speaks against a body given what was written before. Paths as of the entry. */
  misfits?(state: State, body: Body): Problem[];
  /** Takes the entry in; the draft belongs to the batch. */
  fold(draft: Draft<State>, entry: Logged<Name, Body>): void;
  /** What the entry says, in a line. */
  words(body: Body, name: NameOf): string | Phrase;
  /** are later entries checked against what this one set? Striking it then means reading all again */
  readonly bears: boolean;
  /** why it cannot be struck, where it cannot */
  readonly stands?: string;
}

/** A problem at a place of the body. */
export const says = (path: string, message: string): Problem[] => [{ path: `/body/${path}`, message }];
