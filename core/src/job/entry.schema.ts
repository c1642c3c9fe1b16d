import { bodiesOf, newEntrySchemaOf, storedEntrySchemaOf } from '../logbook/envelope.schema';
import type { EntryKind } from './entry';
import { jobKinds } from './kinds';

export const entryKinds = Object.keys(jobKinds) as EntryKind[];

/** The body of each kind of entry. The server, the browser and the import all validate against these. */
export const entryBodies = bodiesOf(jobKinds);

/** An entry as a client writes it. */
export const newEntrySchema = newEntrySchemaOf(entryKinds);
/** An entry as the logbook keeps it and a job document carries it. */
export const storedEntrySchema = storedEntrySchemaOf(entryKinds);
