import type { Problem } from '../solvers/contract';
import { hasSchema, problemsWith, type SchemaName } from '../validation';
import type { NewEntry } from './entry';
import type { JobState } from './jobState';

/** The compiled schema of an entry body. */
const bodySchema = (kind: string): SchemaName | null => {
  const name = `body_${kind.replaceAll('-', '_')}`;
  return hasSchema(name) ? name : null;
};

/**
 * Problems with the form of an entry: its envelope and the body its kind asks for. `stored` entries also carry their
 * receipt. The same check runs before sending and on arrival.
 */
export function entryProblems(entry: unknown, as: 'new' | 'stored' = 'new'): Problem[] {
  const outer = problemsWith(as === 'new' ? 'new_entry' : 'stored_entry', entry);
  if (outer.length > 0) return outer;
  const { kind, body } = entry as NewEntry;
  const schema = bodySchema(kind);
  if (!schema) return [{ path: '/kind', message: `“${kind}” is not a kind of entry` }];
  return problemsWith(schema, body).map(({ path, message }) => ({ path: `/body${path}`, message }));
}

/**
 * Problems with an entry in this job: what its form cannot show. Assumes a well-formed entry.
 */
export function misfits(state: JobState, entry: NewEntry, knownParts: ReadonlySet<string> | null): Problem[] {
  if (!state.intake && entry.kind !== 'intake') {
    return [{ path: '/kind', message: 'the first entry of a job must be its intake' }];
  }
  if (state.signOff && entry.kind !== 'note' && entry.kind !== 'strike') {
    return [{ path: '/kind', message: 'the job is signed off: strike the sign-off to go on working on it' }];
  }
  switch (entry.kind) {
    case 'intake':
      return state.intake && state.intake.ticket !== entry.body.ticket
        ? [{ path: '/body/ticket', message: `must stay ${state.intake.ticket}` }]
        : [];
    case 'strike': {
      const target = state.byId.get(entry.body.entry);
      if (!target) return [{ path: '/body/entry', message: 'is not an entry of this job' }];
      if (target.kind === 'strike')
        return [{ path: '/body/entry', message: 'is itself a strike: make the entry again instead' }];
      if (target.kind === 'intake')
        return [{ path: '/body/entry', message: 'the intake is corrected by a new intake entry, not struck' }];
      return [];
    }
    case 'reading':
      return knownParts && !knownParts.has(entry.body.point.part)
        ? [{ path: '/body/point/part', message: `“${entry.body.point.part}” is not a part of this instrument` }]
        : [];
    default:
      return [];
  }
}
