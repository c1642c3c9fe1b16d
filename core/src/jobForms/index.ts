// The forms of a job’s entries and of what an intake brings along: a door of their own, for a page loads them last.
import * as compiled from '../generated/entries.js';
import { formsOf, type RawEntry } from '../logbook';
import type { Problem } from '../solvers/contract';
import { jobKinds, type Entry, type EntryBody, type EntryKind } from '../job';
import { problemsWith } from '../validation';

/** Problems with the form of a document that should be a type; whether a type is whole in itself `instrumentTypeProblems` says. */
export const typeFormProblems = (data: unknown): Problem[] => problemsWith(compiled.instrument_type, data);

/** A type that an intake brings along has a form of its own: to know it here keeps it from everybody who only reads. */
const typeOfIntake = ({ type }: EntryBody<'intake'>): Problem[] =>
  type === undefined ? [] : typeFormProblems(type).map(({ path, message }) => ({ path: `/body/type${path}`, message }));

const forms = formsOf<Entry>({
  kinds: { ...jobKinds, intake: { ...jobKinds.intake, problems: typeOfIntake } },
  compiled,
});

/** Problems with the form of an entry of a job, see `Forms.problems`. */
export const entryProblems = (entry: unknown, as: 'new' | 'stored' = 'new'): Problem[] => forms.problems(entry, as);

/** Problems with the body of an entry of this kind, see `Forms.bodyProblems`. */
export const bodyProblems = (kind: EntryKind, body: unknown): Problem[] => forms.bodyProblems(kind, body);

/** An entry of a job from its row; total, see `Forms.read`. */
export const readEntry = (row: RawEntry): Entry => forms.read(row);
