import { logbookOf, type LogbookReader } from '../logbook';
import { printPhrase, type LengthUnit } from '../units';
import type { Problem } from '../solvers/contract';
import type { Entry, EntryKind, NewEntry } from './entry';
import { emptyJobState, type JobState } from './jobState';
import type { JobKind } from './kind';
import { jobKinds } from './kinds';

const kinds: Readonly<Record<string, JobKind<string, never>>> = jobKinds;

const log = logbookOf<JobState, NewEntry, Entry>({
  kinds,
  empty: emptyJobState,
  admits: (state, kind) => {
    if (!state.intake && kind !== 'intake')
      return [{ path: '/kind', message: 'the first entry of a job must be its intake' }];
    if (state.signOff && !kinds[kind]?.afterSignOff)
      return [{ path: '/kind', message: 'the job is signed off: strike the sign-off to go on working on it' }];
    return [];
  },
});

/** Problems with an entry in this job: what its form cannot show. Assumes a well-formed entry. */
export const misfits = (state: JobState, entry: NewEntry): Problem[] => log.misfits(state, entry);

/** The state of a job after more entries, see `Logbook.fold`. */
export const foldEntries = (state: JobState, more: readonly Entry[]): JobState => log.fold(state, more);

/** The state of a job from its whole logbook. */
export const foldJob = (entries: readonly Entry[]): JobState => foldEntries(emptyJobState, entries);

/** Reads the logbook of a job entry by entry, see `Logbook.reader`. */
export const logbookReader = (): LogbookReader<JobState, Entry> => log.reader();

/**
 * What an entry says, in a line.
 *
 * @param names parts by id, as a reader knows them
 * @param unit of the job
 */
export const entryWords = (entry: Entry, names: ReadonlyMap<string, string>, unit: LengthUnit): string =>
  printPhrase(log.words(entry, names), unit);

/** Can an entry of this kind turn the plan round? */
export const turnsPlan = (kind: EntryKind): boolean => kinds[kind]?.turnsPlan ?? false;
