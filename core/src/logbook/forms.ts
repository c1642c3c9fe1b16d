import type { Problem } from '../solvers/contract';
import { problemsWith, strangeTexts, validatorOf } from '../validation';
import type { AnyEntry, Kind } from './kind';
import { noMoment, readMoment, standInFor, type RawEntry } from './rawEntry';

/** What holds the forms of a logbook. */
export interface FormRules {
  /** by name; `strike` and `unreadable` among them */
  kinds: Readonly<Record<string, Pick<Kind<string, never, never>, 'problems'>>>;
  /** the validators compiled for it: of both forms of the envelope as `new_entry` and `stored_entry`, of bodies by kind */
  compiled: Readonly<Record<string, unknown>>;
}

/** The forms of a logbook: what can be said of an entry without knowing what was written before. */
export interface Forms<E> {
  /**
   * Problems with the form of an entry: its envelope and the body its kind asks for. `stored` entries also carry their
   * receipt. The same check runs before sending and on arrival.
   */
  problems: (entry: unknown, as?: 'new' | 'stored') => Problem[];
  /** Problems with the body of an entry of this kind alone, their paths beginning with `/body`: for a form before it is sent. */
  bodyProblems: (kind: string, body: unknown) => Problem[];
  /**
   * An entry from its row. Total: what does not read as the entry it says it is comes back as one of kind `unreadable`,
   * with what is wrong and what it was, so that one rotten row never takes down more than itself.
   */
  read: (row: RawEntry) => E;
}

/**
 * Makes the forms of a set of kinds. They stand apart from the logbook itself: their compiled validators weigh more than
 * all else of it, and whoever only reads needs none.
 */
export function formsOf<E extends AnyEntry>({ kinds, compiled }: FormRules): Forms<E> {
  const kindOf = (name: string) =>
    (Object.hasOwn(kinds, name) ? kinds[name] : undefined) as
      | Pick<Kind<string, unknown, never>, 'problems'>
      | undefined;
  const bodyProblems = (name: string, body: unknown): Problem[] => {
    const kind = kindOf(name);
    const validate = validatorOf(compiled, name);
    if (!kind || !validate) return [{ path: '/kind', message: `“${name}” is not a kind of entry` }];
    const ofForm = problemsWith(validate, body).map(({ path, message }) => ({ path: `/body${path}`, message }));
    return ofForm.length > 0 ? ofForm : (kind.problems?.(body) ?? []);
  };
  const problems = (entry: unknown, as: 'new' | 'stored' = 'new'): Problem[] => {
    const envelope = validatorOf(compiled, `${as}_entry`);
    if (!envelope) throw new Error(`no envelope was compiled for ${as} entries`);
    const outer = problemsWith(envelope, entry);
    if (outer.length > 0) return outer;
    const strange = strangeTexts(entry);
    if (strange.length > 0) return strange;
    const { kind, body } = entry as AnyEntry;
    if (kind === 'unreadable' && as === 'new')
      return [{ path: '/kind', message: 'is written by nobody: it stands for an entry that cannot be read' }];
    return bodyProblems(kind, body);
  };
  return {
    problems,
    bodyProblems,
    read: (row) => {
      const { id, seq, kind, body, author } = row;
      const receivedAt = readMoment(row.receivedAt) ?? noMoment;
      const plain = { id, seq, kind, body, author, benchTime: readMoment(row.benchTime) ?? '', receivedAt };
      const wrong = problems(plain, 'stored');
      return (wrong.length === 0 ? plain : { ...standInFor(row, wrong), seq, receivedAt }) as unknown as E;
    },
  };
}
